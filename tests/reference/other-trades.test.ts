import { readFileSync } from 'node:fs';
import {
  checkPlan,
  computeCost,
  computeRequirement,
  limitTime,
  listArrivalLamps,
  planIsolation,
} from '../../src/core/isolation';
import {
  buildGraph,
  parsePlantText,
  type Grade,
  type IsolationPlan,
  type PlantGraph,
  type Scope,
} from '../../src/core/plant';

/** What a person wrote down about a job before the tool was asked. */
interface Job {
  readonly work: Scope['work'];
  readonly emptied?: readonly string[];
  /** Grades set by name, where the table asks for more than the job does. */
  readonly grades?: Readonly<Record<string, Grade>>;
  /** Media that can come in, then machines and heaters that can act. */
  readonly arrives: readonly string[];
  /** What that person would lock, open and hold. */
  readonly plan: Partial<IsolationPlan>;
  /** Locks of it without any one of which the check passes as well. */
  readonly spare?: readonly string[];
}

const on = (activity: Scope['work'][number]['activity'], ...sections: string[]): Scope['work'] =>
  sections.map((section) => ({ section, activity }));

const readPlant = (name: string): PlantGraph => {
  const read = parsePlantText(readFileSync(`demo/starts/${name}.plant.json`, 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return buildGraph(read.value);
};

/**
 * A dairy. Written down first; where the tool differed at first: caustic and acid came over the water main, since the rinse was drawn off it
 * without an air gap (the drawing was mended), and a stirrer was named twice, once as blades and once as a motor (the tool was mended).
 */
const DAIRY: Readonly<Record<string, Job>> = {
  'seal of the feed pump: both swing bends are locked out, since a wash would come through the balance tank':
    {
      work: [...on('open', 'P20-CAS'), ...on('touch', 'P20-SH')],
      arrives: ['PAST', 'RAW', 'M-P20'],
      plan: {
        close: ['IS-P20', 'HV-110', 'HV-111', 'SB-410', 'SB-420'],
        open: ['DR-110', 'BL-111'],
      },
    },
  'plate pack, cooled down first, so that milk and glycol are held as cold ones': {
    work: on('open', 'RG-RAW', 'HT-MILK', 'RG-PAST', 'CH-MILK', 'HW-PLATE', 'GLY-PLATE'),
    grades: Object.fromEntries(
      ['BT-1', 'CREAM-T', 'GT-1', 'PT-1', 'RS-1', 'RS-2', 'RT-1', 'TNK', 'WM'].map((id) => [
        id,
        'single-bled' as const,
      ]),
    ),
    arrives: ['GLYCOL', 'HW', 'PAST', 'RAW'],
    plan: {
      close: [
        ...['HV-111', 'HV-131', 'HV-130', 'HV-300', 'HV-302', 'HV-303', 'HV-301', 'HV-510'],
        ...['HV-511', 'SB-410', 'SB-420'],
      ],
      open: ['DR-RG', 'DR-CH', 'BL-131', 'BL-300', 'BL-303', 'DR-HWP', 'DR-GP'],
    },
  },
  'entry into silo 1, run empty first': {
    work: on('enter', 'RS-1'),
    emptied: ['RS-1'],
    arrives: ['ACID', 'CAUSTIC', 'CREAM', 'RAW', 'WATER', 'M-RS1'],
    plan: { close: ['FL-100', 'FL-101', 'SB-410', 'IS-RS1'], open: ['DR-RS1'] },
  },
  'ammonia side of the evaporator: glycol, if the tubes leak': {
    work: on('open', 'EV-NH'),
    arrives: ['GLYCOL', 'NH3'],
    plan: {
      close: ['HV-610', 'HV-611', 'HV-612', 'HV-613', 'HV-511', 'HV-512'],
      open: ['BL-610', 'BL-612', 'VT-EV'],
    },
  },
  'guard of the filler: air on both sides of its control valve': {
    work: on('touch', 'GUARD'),
    arrives: ['CYL-1'],
    plan: { close: ['HV-710'], open: ['BL-710', 'VT-CYL'], restrain: ['ST-GUARD'] },
  },
  'bowl of the separator': {
    work: [...on('open', 'SEP-BOWL'), ...on('touch', 'SEP-SH')],
    arrives: ['CREAM', 'RAW', 'WATER', 'M-SEP'],
    plan: {
      close: ['HV-140', 'HV-141', 'HV-142', 'HV-143', 'IS-SEP', 'SB-410', 'SB-420'],
      open: ['DR-SEP', 'BL-142'],
    },
  },
  'steam side of the hot water set; the tool drains the water side instead of blocking it twice': {
    work: on('open', 'STM-HX'),
    arrives: ['COND', 'HW', 'STEAM'],
    plan: {
      close: [...['HV-201', 'HV-202', 'HV-210', 'HV-211', 'HV-310', 'HV-311', 'HV-320', 'HV-300']],
      open: ['BL-201', 'DR-CV', 'DR-HX', 'DR-C1', 'BL-210', 'BL-310', 'BL-320'],
    },
    spare: ['HV-311', 'HV-320'],
  },
  'cable of the feed pump: the grid, and the generator that feeds the same board': {
    work: on('touch', 'P20-CBL'),
    arrives: ['EL-400', 'GEN-1'],
    plan: { close: ['CB-P20'] },
  },
};

/**
 * A quarry crusher. Written down first; where the tool differed at first: a shutter before rays could not be planned though the check took it,
 * the generator's engine was named instead of the generator (both mended in the tool), and rock came through the air main into the
 * filter (it does, over two valves that nobody would count on; the filter has a line of its own now).
 */
const QUARRY: Readonly<Record<string, Job>> = {
  'jaw plates: rock, sprays, air cannon, jaw, feeder, hydraulics and the rays of the level gauge': {
    work: [...on('enter', 'CR-CH'), ...on('touch', 'JAW', 'CR-SH', 'FE-PAN')],
    arrives: ['AIR', 'ROCK', 'WATER', 'CYL-TG', 'M-CR', 'M-FE', 'SH-RAD'],
    plan: {
      close: ['SP-HOP', 'RH-W', 'SPL-CAN', 'CB-CR', 'IS-FE', 'HV-H1', 'SH-RAD'],
      open: ['OP-CH', 'BL-H2'],
    },
  },
  'splice of belt 1: the load on it and its take-up weight are held': {
    work: on('touch', 'BC1-PUL'),
    arrives: ['M-BC1'],
    plan: { close: ['IS-BC1'], restrain: ['ST-LOAD', 'ST-TU'] },
  },
  'hose of the toggle cylinder at 180 bar': {
    work: on('open', 'CYL-H'),
    arrives: ['OIL'],
    plan: { close: ['HV-H1', 'HV-H2'], open: ['BL-H1', 'BL-H2'] },
  },
  'terminals of the crusher motor, earthed': {
    work: on('touch', 'CR-CBL'),
    arrives: ['EL-11K', 'GEN-1'],
    plan: { close: ['CB-CR'], open: ['EA-CR'] },
  },
  'transformer on its 11 kV side: the generator feeds back through it': {
    work: on('touch', 'TX1-HV'),
    arrives: ['EL-11K', 'GEN-1'],
    plan: { close: ['ISO-T1', 'CB-L1'], open: ['EA-TX1'] },
  },
  'bags of the dust filter: its fan and its pulse air': {
    work: on('open', 'FILT'),
    arrives: ['AIR', 'M-FAN'],
    plan: { close: ['HV-A2', 'IS-FAN'], open: ['BL-PLS', 'OP-FAN'] },
  },
  'deck of the screen, on its springs': {
    work: on('touch', 'DECK'),
    arrives: ['M-SC'],
    plan: { close: ['IS-SC'], restrain: ['ST-SPR'] },
  },
  'fuel line of the generator': {
    work: on('open', 'DSL-LN'),
    arrives: ['DIESEL'],
    plan: { close: ['HV-D1', 'HV-D2'], open: ['BL-D1', 'DR-D2'] },
  },
};

/** Milliseconds that each search of the planner may take here. */
const MOST_MS = 10_000;

const PLANTS = { dairy: DAIRY, quarry: QUARRY };

// Invented plants; what is locked follows the default table of grades (practice).
describe.each(Object.entries(PLANTS))('what a person would lock at the %s', (name, jobs) => {
  const graph = readPlant(name);

  it.each(Object.entries(jobs))('%s', (...[, { work, emptied = [], grades, arrives, plan }]) => {
    const scope = { work, hours: 6, emptied: [...emptied] };
    const requirement = computeRequirement(graph, scope, grades);
    const lamps = listArrivalLamps(graph, requirement.trace).filter(({ kind }) => kind !== 'store');
    expect(lamps.map(({ id }) => id.replace(/^[a-z]+:/, ''))).toEqual(arrives);

    const own = { close: [], open: [], restrain: [], ...plan };
    const { findings } = checkPlan(graph, requirement, own);
    expect(findings.filter(({ severity }) => severity === 'stops')).toEqual([]);

    const started = performance.now();
    const limits = limitTime(MOST_MS / 1000, () => performance.now() - started);
    const { feasible, answers } = planIsolation(graph, requirement, limits);
    expect({ feasible, passes: answers.effort.passes }).toEqual({ feasible: true, passes: true });
    expect(answers.effort.cost.effort).toBeLessThanOrEqual(computeCost(graph, own).effort);
  });

  it.each(Object.entries(jobs))('needs every lock but the spare ones: %s', (...[, job]) => {
    const scope = { work: job.work, hours: 6, emptied: [...(job.emptied ?? [])] };
    const requirement = computeRequirement(graph, scope, job.grades);
    const own = { close: [], open: [], restrain: [], ...job.plan };
    const nothing = checkPlan(graph, requirement, { close: [], open: [], restrain: [] });
    expect(nothing.passes).toBe(false);
    const idle = own.close.filter((id) => {
      const less = { ...own, close: own.close.filter((one) => one !== id) };
      return checkPlan(graph, requirement, less).passes;
    });
    expect(idle).toEqual(job.spare ?? []);
  });
});
