import type { SimAnswer } from './answer';

/** What is asked of the stand-ins of a job. */
export type Ask =
  | {
      readonly kind: 'proof';
      readonly proof: string;
      readonly arrangement?: string;
      readonly instrument?: string;
      readonly source_v?: number;
    }
  | { readonly kind: 'try-start'; readonly station: string }
  | { readonly kind: 'take-lock'; readonly use: string; readonly prefix: string };

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
