/**
 * Something that the whole process has once. What starts the server, its routes and its pages are bundled apart, and each bundle may hold its
 * own copy of a file: what one of them remembers in a plain variable, another may never see.
 */
export function perProcess<T>(name: string, make: () => T): T {
  const shared = globalThis as { lanternShared?: Map<string, unknown> };
  const all = (shared.lanternShared ??= new Map());
  if (!all.has(name)) all.set(name, make());
  return all.get(name) as T;
}
