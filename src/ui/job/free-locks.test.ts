import { listPointLocks } from './free-locks';

const lock = (id: string, set: string, more = {}) => ({
  id,
  set,
  use: 'point' as const,
  ...more,
});
const LOCKS = [
  lock('PL-1', 'hall'),
  lock('EL-1', 'Electrical locks'),
  lock('CL-1', 'control', { use: 'control' }),
  lock('PL-3', 'hall'),
];
const idsOf = (electrical: boolean) => listPointLocks(LOCKS, electrical).map(({ id }) => id);

describe('locks that are offered for a point', () => {
  it('are all that hang nowhere, whatever they are called, those of the discipline first', () => {
    expect(idsOf(true)).toEqual(['EL-1', 'PL-1', 'PL-3']);
    expect(idsOf(false)).toEqual(['PL-1', 'PL-3', 'EL-1']);
  });
});
