import { doFor, GivenUp, workBeside } from './queue';

const layout = async (who: string, id: string) => {
  const nodes = [{ id, width: 10, height: 10, lane: 0 }];
  const laid = await doFor(who, { kind: 'layout', drawing: { nodes, edges: [] } });
  return laid.nodes[0]?.id;
};

describe('long work', () => {
  it('is done where it is asked for until there is a helper beside the server', async () => {
    expect(await layout('ada', 'here')).toBe('here');
  });

  it('is done beside the server, each person in their turn', async () => {
    workBeside();
    const done: string[] = [];
    const ask = (who: string, id: string) =>
      layout(who, id).then(
        () => done.push(id),
        (error: unknown) => done.push(error instanceof GivenUp ? `given up ${id}` : `failed ${id}`),
      );
    await Promise.all([
      ...Array.from({ length: 20 }, (_, n) => ask('mallory', `m${n}`)),
      ask('ada', 'a0'),
      ask('ben', 'b0'),
    ]);
    expect(done).toHaveLength(22);
    // Of twenty at once the newest few are done, and nobody else waits for them.
    expect(done.filter((one) => one.startsWith('given up'))).toHaveLength(15);
    const worked = done.filter((one) => !one.startsWith('given up'));
    expect(worked.indexOf('a0')).toBeLessThan(3);
    expect(worked.indexOf('b0')).toBeLessThan(4);
  });

  it('that fails fails alone', async () => {
    const drawing = { nodes: [], edges: [{ id: 'e', from: 'no', to: 'where' }] };
    await expect(doFor('ada', { kind: 'layout', drawing })).rejects.toThrow();
    expect(await layout('ada', 'after')).toBe('after');
    const bytes = new TextEncoder().encode('rubbish');
    expect(await doFor('ada', { kind: 'read-plant', bytes })).toMatchObject({ ok: false });
  });
});
