import { createServer } from 'node:http';
import { Agency } from './agency/agency';
import { Press } from './press/press';
import { Wire } from './wire/wire';

/**
 * Houses that a publication works with, simulated for those who try the application: a news wire, a picture agency and a print shop. They are reached over HTTP
 * like any other, and know nothing of it. Said: `PORT` to listen at. They end with whoever started them.
 */
const wire = new Wire();
const agency = new Agency();
const press = new Press();

const server = createServer((request, response) => {
  void (async () => {
    const { pathname, searchParams } = new URL(request.url ?? '/', 'http://stand-in');
    const method = request.method ?? 'GET';
    const answer = pathname.startsWith('/wire/')
      ? await wire.answer(method, pathname.slice('/wire'.length))
      : pathname.startsWith('/agency/')
        ? await agency.answer(method, pathname.slice('/agency'.length), searchParams)
        : pathname.startsWith('/press/')
          ? await press.answer(method, pathname.slice('/press'.length), request)
          : undefined;
    request.resume();
    response.writeHead(answer ? (answer.status ?? 200) : 404, { 'content-type': answer?.media ?? 'text/plain' });
    response.end(answer?.body ?? 'There is nothing here.');
  })().catch((error: Error) => {
    response.writeHead(500, { 'content-type': 'text/plain' });
    response.end(error.message);
  });
});

server.on('error', (error) => {
  process.stdout.write(`Failed: ${error.message}\n`);
  process.exit(1);
});
server.listen(Number(process.env['PORT']), '127.0.0.1', () => process.stdout.write('Ready\n'));
// Its input ends when whoever started it does, however that came.
process.stdin.resume().on('end', () => process.exit(0));
