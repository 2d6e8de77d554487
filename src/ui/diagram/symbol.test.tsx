import { renderToStaticMarkup } from 'react-dom/server';
import { LINK_KINDS, STRENGTH_BY_KIND } from '../../core/plant/kinds';
import { LinkSymbol } from './symbol';

const draw = (kind: string, closed: boolean) =>
  renderToStaticMarkup(<LinkSymbol kind={kind} closed={closed} />);

/** Kinds that are read apart by their tag alone: valves with one body, contacts of one circuit. */
const ALIKE = [
  ['contactor', 'disconnected-cable', 'interlock-contact', 'stop-button'],
  ['butterfly-valve', 'gate-valve', 'needle-valve', 'plug-valve'],
];

describe('symbols of the diagram', () => {
  it('has one for every kind of link', () => {
    const other = draw('nothing of this name', false);
    expect(LINK_KINDS.filter((kind) => draw(kind, false) === other)).toEqual([]);
  });

  it('tells kinds apart', () => {
    const drawn = new Map<string, string[]>();
    for (const kind of LINK_KINDS) {
      drawn.set(draw(kind, false), [...(drawn.get(draw(kind, false)) ?? []), kind]);
    }
    const alike = [...drawn.values()].filter((kinds) => kinds.length > 1);
    expect(alike.map((kinds) => [...kinds].sort()).sort()).toEqual([...ALIKE].sort());
  });

  it('shows whether a barrier is shut', () => {
    const barriers = LINK_KINDS.filter((kind) => STRENGTH_BY_KIND[kind] > 0);
    expect(barriers.filter((kind) => draw(kind, true) === draw(kind, false))).toEqual([]);
  });
});
