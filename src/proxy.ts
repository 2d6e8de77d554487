import { NextResponse, type NextRequest } from 'next/server';

const WRITES: ReadonlySet<string> = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);

/** Whether a write comes from a page of this server. What sends neither Origin nor Sec-Fetch-Site is no browser. */
function isOwn({ headers }: NextRequest): boolean {
  const origin = headers.get('origin');
  const site = headers.get('sec-fetch-site');
  if (site !== null && site !== 'same-origin' && site !== 'none') return false;
  if (origin === null) return true;
  // A proxy that is trusted says which host the browser asked for.
  const isTrusted = Number(process.env.LANTERN_PROXIES ?? 0) > 0;
  const host = (isTrusted ? headers.get('x-forwarded-host') : null) ?? headers.get('host');
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}

/** What a page may load and run: what this server sends, and no script that stands in the page but the framework's own. */
function writePolicy(nonce: string): string {
  const isDev = process.env.NODE_ENV === 'development';
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'${isDev ? " 'unsafe-eval'" : ''}`,
    // Widths of bars and places on charts are styles of single elements.
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
}

/** Stands before every page and route: writes come from own pages, and pages run nothing that was slipped into them. */
export function proxy(request: NextRequest): Response {
  // A token is no cookie: no foreign page can send it.
  const hasToken = request.headers.has('authorization');
  if (WRITES.has(request.method) && !hasToken && !isOwn(request)) {
    const error = 'This was sent from a page of another site. Nothing was done.';
    return NextResponse.json({ ok: false, kind: 'error', error, problems: [] }, { status: 403 });
  }
  const nonce = Buffer.from(crypto.randomUUID()).toString('base64');
  const policy = writePolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  return response;
}

export const config = {
  matcher: ['/((?!_next/static|_next/image|icon.svg|sw.js).*)'],
};
