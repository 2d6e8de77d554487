import { buildGraph, type Plant } from '../plant';
import { plantOf } from '../../../tests/support/crossing-plant';
import { traceWork } from './trace';

/** How each source arrives at the work `w`, as "source mode", with those behind others and standing gaps told. */
function arrivals(plant: Plant): string[] {
  const graph = buildGraph(plant);
  const trace = traceWork(graph, { work: [{ section: 'w', activity: 'open' }], hours: 8 });
  return trace.sources
    .flatMap(({ id, arrivals: ways, behind, gap }) =>
      ways.map(
        ({ mode }) => `${id} ${mode}${behind ? ` behind ${behind}` : ''}${gap ? ' gap' : ''}`,
      ),
    )
    .sort();
}

describe('traceWork', () => {
  const TRACES: [string, Plant, string[]][] = [
    [
      'a pump is driven through its motor, and its own line comes over; the far side of the board stays out',
      plantOf(
        [
          ['w', 'fluid'],
          ['line', 'fluid', true],
          ['shaft', 'motion'],
          ['cable', 'current'],
          ['board', 'current', true],
          ['other-cable', 'current'],
          ['other-shaft', 'motion'],
          ['oil', 'fluid', true],
        ],
        [
          ['gate-valve', 'line', 'w'],
          ['pump', 'shaft', 'w'],
          ['motor', 'cable', 'shaft'],
          ['circuit-breaker', 'board', 'cable'],
          ['circuit-breaker', 'board', 'other-cable'],
          ['motor', 'other-cable', 'other-shaft'],
          ['pump', 'other-shaft', 'oil'],
        ],
      ),
      ['board driven', 'line itself'],
    ],
    [
      'steam leaks past the jacket, what heats the steam does not',
      plantOf(
        [
          ['w', 'fluid'],
          ['jacket', 'fluid'],
          ['boiler', 'fluid', true],
          ['flue', 'fluid', true],
        ],
        [
          ['exchanger', 'jacket', 'w'],
          ['gate-valve', 'boiler', 'jacket'],
          ['exchanger', 'flue', 'boiler'],
        ],
      ),
      ['boiler leaked'],
    ],
    [
      'the air that moves a control valve beside the work comes at hands in there, and what makes the air behind it',
      plantOf(
        [
          ['w', 'fluid'],
          ['line', 'fluid'],
          ['air', 'fluid', true],
          ['shaft', 'motion'],
          ['cable', 'current', true],
        ],
        [
          ['control-valve', 'line', 'w', { powered_by: 'air' }],
          ['pump', 'shaft', 'air'],
          ['motor', 'cable', 'shaft'],
        ],
      ),
      ['air ends-here', 'cable ends-here behind air'],
    ],
    [
      'the motor of a valve two sections away, and what moves a breaker, do not',
      plantOf(
        [
          ['w', 'current'],
          ['near', 'current'],
          ['pipe', 'fluid'],
          ['far', 'fluid'],
          ['air', 'fluid', true],
        ],
        [
          ['circuit-breaker', 'near', 'w', { powered_by: 'air' }],
          ['heater', 'w', 'pipe'],
          ['control-valve', 'pipe', 'far', { powered_by: 'air' }],
        ],
      ),
      [],
    ],
    [
      'a valve that its own line moves brings nothing more',
      plantOf(
        [
          ['w', 'fluid'],
          ['line', 'fluid', true],
        ],
        [['control-valve', 'line', 'w', { powered_by: 'line' }]],
      ),
      ['line itself'],
    ],
    [
      'a leak stops at a valve between the wall and the work',
      plantOf(
        [
          ['w', 'fluid'],
          ['cold', 'fluid'],
          ['hot', 'fluid', true],
        ],
        [
          ['gate-valve', 'cold', 'w'],
          ['exchanger', 'hot', 'cold'],
        ],
      ),
      [],
    ],
    [
      'a source behind another is folded under it',
      plantOf(
        [
          ['w', 'fluid'],
          ['near', 'fluid', true],
          ['far', 'fluid', true],
        ],
        [
          ['gate-valve', 'near', 'w'],
          ['gate-valve', 'far', 'near'],
        ],
      ),
      ['far itself behind near', 'near itself'],
    ],
    [
      'what a blind that stands closed keeps out is named apart',
      plantOf(
        [
          ['w', 'fluid'],
          ['gas', 'fluid', true],
        ],
        [['spectacle-blind', 'gas', 'w', { normal: 'closed' }]],
      ),
      ['gas itself gap'],
    ],
    [
      'a far pump is not named where something comes over, but a drive of oil that nothing else feeds is',
      plantOf(
        [
          ['w', 'motion'],
          ['oil', 'fluid'],
          ['shaft', 'motion'],
          ['board', 'current', true],
        ],
        [
          ['cylinder', 'oil', 'w'],
          ['pump', 'shaft', 'oil'],
          ['motor', 'board', 'shaft'],
        ],
      ),
      ['board driven'],
    ],
    [
      'blades and heat end where they are',
      plantOf(
        [
          ['w', 'fluid'],
          ['blades', 'motion'],
          ['board', 'current', true],
          ['tape', 'current', true],
          ['beside', 'fluid'],
          ['lamp', 'current', true],
        ],
        [
          ['agitator', 'blades', 'w'],
          ['motor', 'board', 'blades'],
          ['heater', 'tape', 'w'],
          ['joint', 'beside', 'w'],
          ['heater', 'lamp', 'beside'],
        ],
      ),
      ['board ends-here', 'tape ends-here'],
    ],
    [
      'a generator on the board feeds the motor; its engine drives it from further off',
      plantOf(
        [
          ['w', 'motion'],
          ['cable', 'current'],
          ['crank', 'motion'],
          ['fuel', 'fluid', true],
        ],
        [
          ['motor', 'cable', 'w'],
          ['generator', 'crank', 'cable'],
          ['engine', 'fuel', 'crank'],
        ],
      ),
      ['fuel driven'],
    ],
  ];
  it.each(TRACES)('%s', (...[, plant, wanted]) => {
    expect(arrivals(plant)).toEqual(wanted);
  });
});
