import { type NextRequest, NextResponse } from 'next/server';
import { isAllowedHost, UNKNOWN_HOST } from '@/services/hosts';

/**
 * What every page's request passes first: it must be for a host that this server answers to, or a page elsewhere could, by
 * giving its own name this machine's address, write through a visitor's browser. And every answer says what its page
 * may do: run the application's own scripts and nothing else.
 */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get('host');
  if (!isAllowedHost(host))
    return NextResponse.json({ message: UNKNOWN_HOST }, { status: 421, headers: { 'Cache-Control': 'no-store' } });
  const nonce = btoa(crypto.randomUUID());
  const policy = [
    "default-src 'self'",
    // HarfBuzz is WebAssembly.
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
  const headers = new Headers(request.headers);
  // Next.js reads the nonce from here for the scripts that it writes into a page.
  headers.set('Content-Security-Policy', policy);
  headers.set('X-Nonce', nonce);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('Content-Security-Policy', policy);
  return response;
}

export const config = {
  // What never changes is served as it is; route handlers look at the host themselves (`app/api/handler.ts`), since a
  // proxy would hold back the bodies of uploads.
  matcher: ['/((?!api/|_next/static|fonts/|workers/|icon.svg).*)'],
};
