import {
  carryOut,
  HANDED_BACK,
  LIVE,
  RAISE,
  START,
  WALKED,
} from '../../../tests/support/seal-change';
import { listLife } from './life';

const said = (state: ReturnType<typeof carryOut>) =>
  state ? listLife(state).map(({ what, by, figure }) => [what, by, figure].filter(Boolean)) : [];

describe('what a job has behind it', () => {
  it('begins with who raised it', () => {
    const state = carryOut([['ada', RAISE]]);
    expect(said(state)).toEqual([['raised', 'ada']]);
    expect(state && listLife(state)[0]?.at).toBe(START);
  });

  it('tells of many things done as one, with how many and who did the last', () => {
    const life = said(WALKED());
    expect(life).toContainEqual(['plan accepted', 'hana', '15 points']);
    expect(life.find(([what]) => what === 'walked down')?.at(2)).toBe('15 points');
  });

  it('goes on to the permit, in the order in which it happened', () => {
    const state = carryOut(HANDED_BACK, LIVE());
    const life = said(state).map(([what]) => what);
    const order = ['raised', 'plan accepted', 'issued', 'handed back'];
    const places = order.map((what) => life.indexOf(what));
    expect(places).not.toContain(-1);
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect(life).toContain('proved dead');
    expect(said(state)).toContainEqual(['issued', 'hana', 'P-0001']);
  });
});
