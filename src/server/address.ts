/** The header in which the server tells the address of the other end: it is set by scripts/serve.mjs, whatever a sender puts there. */
const ADDRESS = 'x-lantern-address';

type Headers = Pick<globalThis.Headers, 'get'>;

/** From which address a request comes. Without our own server in front it is what the framework was told by its socket. */
export const findAddress = (headers: Headers): string =>
  headers.get(ADDRESS) ?? headers.get('x-forwarded-for')?.split(',').at(-1)?.trim() ?? 'unknown';

/** Whether the browser speaks TLS: by setting, or as a proxy that is trusted says (LANTERN_PROXIES, how many stand before the server). */
export const isBehindTls = (headers: Headers): boolean =>
  process.env.LANTERN_TLS === '1' ||
  (Number(process.env.LANTERN_PROXIES ?? 0) > 0 && headers.get('x-forwarded-proto') === 'https');
