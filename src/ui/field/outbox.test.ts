import type { Sending, Sent } from '../command/send';
import { sendKept, type Entry, type Keep } from './outbox';

const entry = (key: string, more: Partial<Entry> = {}): Entry => ({
  key,
  jobId: 'J-0001',
  actor: 'finn',
  command: { kind: 'unlock-point', link: key },
  enteredAt: '2026-11-24T07:00:00.000Z',
  ...more,
});

function keepOf(...entries: Entry[]): Keep & { left: () => readonly Entry[] } {
  let kept: readonly Entry[] = entries;
  return {
    read: () => Promise.resolve(kept),
    change: (next) => {
      kept = next(kept);
      return Promise.resolve();
    },
    left: () => kept,
  };
}

/** A server that holds a sequence and knows keys, and answers as `say` tells for a key. */
function server(say: Record<string, Partial<Sent>> = {}) {
  const log: string[] = [];
  const seen = new Set<string>();
  let sequence = 7;
  const send = ({ key, expected }: Sending): Promise<Sent> => {
    const told = say[key];
    if (told) return Promise.resolve({ ok: false, ...told });
    if (!seen.has(key) && expected !== sequence)
      return Promise.resolve({ ok: false, kind: 'changed-meanwhile', sequence });
    if (!seen.has(key)) {
      seen.add(key);
      log.push(key);
      sequence += 1;
    }
    return Promise.resolve({ ok: true, sequence });
  };
  return { send, log };
}
const round = async (keep: Keep, { send }: { send: (one: Sending) => Promise<Sent> }) => {
  const taken: string[] = [];
  const end = await sendKept(keep, 'finn', send, ({ key }) => taken.push(key));
  return { end, taken };
};

describe('what is kept on a device', () => {
  it('is sent in order, on the job as it stands, and is then gone', async () => {
    const keep = keepOf(entry('a'), entry('b'), entry('c'));
    const one = server();
    expect(await round(keep, one)).toEqual({ end: { kind: 'through' }, taken: ['a', 'b', 'c'] });
    expect([one.log, keep.left()]).toEqual([['a', 'b', 'c'], []]);
  });

  it('stays whole while the server cannot be reached, and counts once when an answer was lost', async () => {
    const keep = keepOf(entry('a'), entry('b'));
    const one = server();
    const lost = async (sending: Sending): Promise<Sent> => {
      await one.send({ ...sending, expected: 7 });
      return { ok: false, kind: 'unreached' };
    };
    expect(await round(keep, { send: lost })).toEqual({ end: { kind: 'unreached' }, taken: [] });
    expect(keep.left().map(({ key }) => key)).toEqual(['a', 'b']);
    await round(keep, one);
    expect([one.log, keep.left()]).toEqual([['a', 'b'], []]);
  });

  it('keeps what is refused, with the reasons, and goes on with the rest', async () => {
    const refusals = [
      { code: 'not-told', says: 'x', basis: 'y', clear: 'z', where: 'isolate' },
    ] as const;
    const keep = keepOf(entry('a'), entry('b'));
    const { taken } = await round(keep, server({ a: { kind: 'refused', refusals } }));
    expect([taken, keep.left()]).toEqual([['b'], [entry('a', { refusals })]]);
  });

  it('keeps what the server cannot read, and says what it said', async () => {
    const keep = keepOf(entry('a'), entry('b'));
    const bad = {
      kind: 'error',
      status: 400,
      error: 'does not fit',
      problems: ['key: short'],
    } as const;
    await round(keep, server({ a: bad }));
    expect(keep.left()).toEqual([entry('a', { error: 'does not fit key: short' })]);
  });

  it.each([401, 429, 500, 503])('holds everything back, in order, on a %d', async (status) => {
    const keep = keepOf(entry('a'), entry('b'));
    const { end, taken } = await round(
      keep,
      server({ a: { kind: 'error', status, error: 'Sign in first.' } }),
    );
    expect([end, taken]).toEqual([{ kind: 'held', why: 'Sign in first.' }, []]);
    expect(keep.left()).toEqual([entry('a'), entry('b')]);
  });

  it('sends nothing in another name', async () => {
    const keep = keepOf(entry('a', { actor: 'gus' }), entry('b'));
    expect((await round(keep, server())).taken).toEqual(['b']);
    expect(keep.left().map(({ key }) => key)).toEqual(['a']);
  });
});
