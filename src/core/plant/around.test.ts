import { plantOf } from '../../../tests/support/crossing-plant';
import { buildGraph, findSectionOf, listAround } from '.';

/** A tank feeds a pump's casing over a suction line, which delivers to a header with many branches; a drive stands beside. */
const BRANCHES = ['b1', 'b2', 'b3', 'b4', 'b5', 'b6', 'b7', 'b8', 'b9'];
const graph = buildGraph(
  plantOf(
    [
      ['w', 'fluid'],
      ['suction', 'fluid'],
      ['tank', 'fluid', true],
      ['filling', 'fluid'],
      ['header', 'fluid'],
      ['shaft', 'motion'],
      ...BRANCHES.map((id): [string, 'fluid'] => [id, 'fluid']),
    ],
    [
      ['gate-valve', 'suction', 'w'],
      ['gate-valve', 'tank', 'suction'],
      ['gate-valve', 'filling', 'tank'],
      ['check-valve', 'w', 'header'],
      ['pump', 'shaft', 'w'],
      ...BRANCHES.map((id): ['ball-valve', string, string] => ['ball-valve', 'header', id]),
    ],
  ),
);
const shown = (what: Parameters<typeof listAround>[1]) =>
  [...listAround(graph, what).sections].map((n) => graph.sections[n]?.id).sort();

describe('what a diagram is drawn round', () => {
  it('shows two links each way, and nothing past a source or a header with half the works on it', () => {
    expect(shown({ work: ['w'] })).toEqual(['header', 'shaft', 'suction', 'tank', 'w']);
  });

  it('shows the rest when somebody asks for it, and what has to be there', () => {
    expect(shown({ work: ['w'], opened: ['tank'] })).toContain('filling');
    expect(shown({ work: ['w'], opened: ['header'] })).toEqual(expect.arrayContaining(BRANCHES));
    expect(shown({ work: ['w'], sections: ['filling'] })).toContain('filling');
    const link = graph.links.find(({ between }) => between[0] === 'filling')?.id ?? '';
    expect(shown({ work: ['w'], links: [link] })).toContain('filling');
  });

  it('leaves out what the plant does not have', () => {
    expect(shown({ work: ['nowhere'], opened: ['nor here'], links: ['none'] })).toEqual([]);
  });

  it('puts what feeds the work before it, and what it feeds behind', () => {
    const { depth } = listAround(graph, { work: ['w'] });
    const at = (id: string) => depth.get(graph.sectionAt.get(id) ?? -1);
    expect(['w', 'suction', 'tank', 'shaft', 'header'].map(at)).toEqual([0, -1, -2, -1, 1]);
  });
});

describe('the section of a tag', () => {
  it('is its own, that of the outlet, or the end of the link', () => {
    const link = graph.links[0];
    expect(findSectionOf(graph, 'tank')).toBe('tank');
    expect(findSectionOf(graph, link?.id ?? '')).toBe(link?.between[1]);
    expect(findSectionOf(graph, 'HV-9999')).toBeUndefined();
  });
});
