/** Signs somebody in; answers what is wrong, or nothing. */
export async function signIn(person: string, pin: string): Promise<string | undefined> {
  const answer = await fetch('/api/session', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ person, pin }),
  }).catch(() => undefined);
  if (answer?.ok) return undefined;
  const body = (await answer?.json().catch(() => undefined)) as { error?: string } | undefined;
  return body?.error ?? 'The server could not be reached. Nothing was sent.';
}
