import { readFileSync } from 'node:fs';
import { computeRequirement } from '../isolation';
import { buildGraph, parsePlantText, parseScope } from '../plant';
import { computeSequenceMinutes, PHASES, planRestore, planSequence } from './sequence';
import { orderWalk, type Place } from './walk';

const plant = parsePlantText(readFileSync('demo/quillmere.plant.json', 'utf8'));
if (!plant.ok) throw new Error('the demonstration plant does not parse');
const graph = buildGraph(plant.value);
const scope = parseScope(
  JSON.parse(readFileSync('demo/seal-change.scope.json', 'utf8')),
  plant.value,
);
if (!scope.ok) throw new Error('the scope does not parse');
const requirement = computeRequirement(graph, scope.value);
const steps = planSequence(graph, requirement, {
  close: [
    'HV-2004',
    'HV-2005',
    'HV-2001',
    'HV-2002',
    'HV-2009',
    'HV-2007',
    'HV-2008',
    'FS-TR2004',
    'CB-P201',
  ],
  open: ['DR-2002', 'DR-2004', 'DR-2007'],
  restrain: ['ST-P201-SPR'],
});
const at = (subject: string) => steps.findIndex((step) => step.subject === subject);

describe('planSequence', () => {
  it('keeps the phases in working order', () => {
    const ranks = steps.map((step) => PHASES.indexOf(step.phase));
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
  });

  it.each([
    ['the root valve before the pump valve', 'HV-2001', 'HV-2002'],
    ['the header valve before the discharge valve', 'HV-2005', 'HV-2004'],
    ['the flush header valve before the flush valve', 'HV-2007', 'HV-2008'],
    ['the drive before the flows', 'CB-P201', 'HV-2001'],
    ['every lock before any drain', 'HV-2008', 'DR-2002'],
    ['drained before proved', 'DR-2002', 'pressure:P201-CAS'],
    ['proved before starting is tried', 'voltage:P201-CBL', 'local start station P-201'],
  ])('%s', (_label, first, then) => {
    expect(at(first)).toBeGreaterThanOrEqual(0);
    expect(at(first)).toBeLessThan(at(then));
  });

  it('restores from the work to the supply, drives last', () => {
    const order = planRestore(steps).map(({ subject }) => subject);
    expect(order.indexOf('DR-2002')).toBeLessThan(order.indexOf('HV-2002'));
    expect(order.indexOf('HV-2002')).toBeLessThan(order.indexOf('HV-2001'));
    expect(order.at(-1)).toMatch(/CB-P201|FS-TR2004/);
  });

  it('counts minutes of steps and of the walk', () => {
    const work = steps.reduce((sum, step) => sum + step.minutes, 0);
    expect(computeSequenceMinutes(steps)).toBeGreaterThan(work);
  });
});

describe('orderWalk', () => {
  it('goes to the nearest each time and leaves the unplaced for the end', () => {
    const places: Record<string, Place | undefined> = {
      far: [9, 0, 0],
      near: [1, 0, 0],
      lost: undefined,
      mid: [4, 0, 0],
    };
    expect(orderWalk(Object.keys(places), (stop) => places[stop], [0, 0, 0])).toEqual([
      'near',
      'mid',
      'far',
      'lost',
    ]);
  });
});
