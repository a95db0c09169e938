/** What is said to whoever asks for another host (HTTP 421, misdirected request). */
export const UNKNOWN_HOST = 'This server does not answer to that name. Add it to ALLOWED_HOSTS to let it in.';

/** Names that always mean this machine. */
const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

/** Addresses that mean every interface: any name may have been used to reach it. */
const EVERY = ['0.0.0.0', '::', '[::]'];

/** A host as requests name it, without its port. */
const nameOf = (host: string): string => host.toLowerCase().replace(/:\d+$/, '');

/**
 * Whether requests for a host are answered: those for loopback, for `HOST`, and for the names in `ALLOWED_HOSTS`, parted
 * by commas; `*` there lets every name in.
 */
export function isAllowedHost(host: string | null, env: NodeJS.ProcessEnv = process.env): boolean {
  if (!host) return false;
  const name = nameOf(host);
  const allowed = (env['ALLOWED_HOSTS'] ?? '').split(',').map((each) => each.trim().toLowerCase());
  const own = env['HOST']?.toLowerCase() ?? '';
  return (
    LOOPBACK.includes(name) ||
    (own !== '' && !EVERY.includes(own) && name === nameOf(own)) ||
    allowed.includes(name) ||
    allowed.includes('*')
  );
}
