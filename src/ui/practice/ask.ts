import type { Ask, SimAnswer } from '../../sim';

/** Asks the stand-ins of a job; a sentence when they do not answer. */
export async function askStandIns(jobId: string, ask: Ask): Promise<SimAnswer | string> {
  try {
    const answer = await fetch(`/api/stand-ins/${jobId}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(ask),
    });
    const body = (await answer.json()) as SimAnswer & { ok: boolean; error?: string };
    return body.ok ? body : (body.error ?? 'The stand-ins do not answer.');
  } catch {
    return 'The stand-ins cannot be reached without a network.';
  }
}
