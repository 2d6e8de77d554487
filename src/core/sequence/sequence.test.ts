import { readFileSync } from 'node:fs';
import { computeRequirement } from '../isolation';
import { buildGraph, parsePlantText, parseScope } from '../plant';
import { computeSequenceMinutes, planRestore, planSequence } from './sequence';
import { PHASES } from './steps';
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
const plan = {
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
};
const steps = planSequence(graph, requirement, plan);
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

  it('says how long to wait and what to read then, and counts the wait', () => {
    const drained = steps[at('DR-2002')];
    expect(drained?.words).toMatch(/; wait 2 min, then read PG-2002$/);
    expect(drained?.minutes).toBe(7);
    expect(steps[at('ST-P201-ROT')]?.words).toContain('wait 1 min, then read MI-P201');
    expect(steps[at('DR-2007')]?.words).not.toContain('wait');
  });

  it.each([
    ['a longer time than the plant’s own stands', 601, false, 'wait 11 min'],
    ['a shorter one does not', 30, false, 'wait 2 min'],
    ['a shorter one stands where it was signed for', 30, true, 'wait 1 min'],
  ])('of times that a person worked out: %s', (_label, seconds, shortens, words) => {
    const noted = new Map([
      ['DR-2002', { seconds, shortens }],
      ['DR-2007', { seconds: 30, shortens: false }],
    ]);
    const again = planSequence(graph, requirement, plan, undefined, noted);
    const of = (subject: string) => again.find((step) => step.subject === subject)?.words;
    expect(of('DR-2002')).toContain(words);
    // Where the plant says nothing, what was worked out counts.
    expect(of('DR-2007')).toContain('wait 1 min, then read PG-2007');
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
