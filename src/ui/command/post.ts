/** What every answer of the server may hold beside what was asked for. */
export interface Posted {
  readonly ok: boolean;
  readonly error?: string;
  readonly problems?: readonly string[];
}

/** Sends JSON to a route of the server; a server that cannot be reached is an error like any other, and nothing was kept. */
export async function post<Answer extends Posted>(
  url: string,
  data: unknown,
): Promise<Answer | (Posted & { readonly kind: 'error' })> {
  try {
    const answer = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(data),
    });
    return (await answer.json()) as Answer;
  } catch {
    const error = 'The server could not be reached. Nothing was kept.';
    return { ok: false, kind: 'error', error };
  }
}
