import { liftEvent } from '../core/event-versions';
import { guarded } from './guarded';

/** What a route answers that does something. */
async function answerOf(work: () => Response): Promise<{ status: number; error: string }> {
  const answer = await guarded(work)();
  const { error } = (await answer.json()) as { error: string };
  return { status: answer.status, error };
}

describe('a route that meets', () => {
  it('an event of a later version says which application to run', async () => {
    const read = () => Response.json(liftEvent({ kind: 'person-saved', v: 99 }));
    const { status, error } = await answerOf(read);
    expect(status).toBe(503);
    expect(error).toContain('a later version of the application wrote');
  });

  it('a fault of its own says so, and nothing of how it is built', async () => {
    const fail = (): Response => {
      throw new Error('secret inside');
    };
    const { status, error } = await answerOf(fail);
    expect(status).toBe(500);
    expect(error).not.toContain('secret');
  });
});
