import { NextResponse, type NextRequest } from 'next/server';
import { FOREIGN_HOST, isOwnHost } from './app/api/hosts';

/** Everything comes from this server: scripts and styles carry the nonce of their request, nothing is fetched elsewhere. */
const policy = (nonce: string) =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');

export function proxy(request: NextRequest) {
  if (!isOwnHost(request.headers.get('host')))
    return NextResponse.json({ error: { code: 'other-host', message: FOREIGN_HOST } }, { status: 421 });
  // By the server's first word: a page that sends on would be drawn, and its scripts started, before it did.
  if (request.nextUrl.pathname === '/') {
    const rig = request.nextUrl.clone();
    rig.pathname = '/rig';
    return NextResponse.redirect(rig);
  }
  const nonce = btoa(crypto.randomUUID());
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy(nonce));
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy(nonce));
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'no-referrer');
  return response;
}

/** Sound is left alone: what passes here is held in memory, and cut after 10 MiB. */
export const config = {
  matcher: [{ source: '/((?!_next/static|_next/image|favicon.ico|api/rigs/[^/]+/measurements/[^/]+/audio).*)' }],
};
