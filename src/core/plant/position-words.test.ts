import { LINK_KINDS, STRENGTH_BY_KIND, wordsOfKind } from '.';

const BARRIERS = LINK_KINDS.filter((kind) => STRENGTH_BY_KIND[kind] > 0);

describe('the words for positions', () => {
  it.each(BARRIERS)('tell the two positions of a %s apart', (kind) => {
    const { open, closed, isolate } = wordsOfKind(kind);
    expect(open).not.toBe(closed);
    expect(isolate).not.toBe('');
  });

  it.each([
    'isolator',
    'circuit-breaker',
    'fuse-switch',
    'withdrawn-breaker',
    'disconnected-cable',
  ] as const)('never call a %s open or closed: to an electrician a closed switch is on', (kind) => {
    const { open, closed, isolate } = wordsOfKind(kind);
    expect(`${open} ${closed} ${isolate}`).not.toMatch(/open|close|shut/);
  });
});
