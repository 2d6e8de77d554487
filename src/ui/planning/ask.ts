/** Asks the server a question about a plan; undefined when it could not be answered. */
export async function ask<T>(url: string, body: unknown): Promise<T | undefined> {
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  }).catch(() => undefined);
  return answer?.ok ? ((await answer.json()) as T) : undefined;
}
