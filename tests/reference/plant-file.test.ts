import { readFileSync } from 'node:fs';
import { computeRequirement, listArrivalLamps, planIsolation } from '../../src/core/isolation';
import { buildGraph, LINK_KINDS, parsePlantText } from '../../src/core/plant';

const page = readFileSync('docs/plant-file.md', 'utf8');
const [, example = ''] = /```json\n([\s\S]*?)```/.exec(page) ?? [];

describe('the page about the plant file', () => {
  it('names every kind of link', () => {
    expect(LINK_KINDS.filter((kind) => !page.includes(`\`${kind}\``))).toEqual([]);
  });

  it('shows a plant that is read, and says of it what the tool says', () => {
    const plant = parsePlantText(example);
    if (!plant.ok) throw new Error(JSON.stringify(plant.problems));
    const graph = buildGraph(plant.value);
    const requirement = computeRequirement(graph, {
      work: [{ section: 'CAS', activity: 'open' }],
      hours: 8,
    });
    expect(listArrivalLamps(graph, requirement.trace).map(({ words }) => words)).toEqual([
      'Water from supply main',
      'The motor M-1 (pump motor), fed from switchboard',
    ]);
    const { effort } = planIsolation(graph, requirement).answers;
    expect([effort.close, effort.open, effort.passes]).toEqual([['CB-1', 'V-2'], ['DR-1'], true]);
  });
});
