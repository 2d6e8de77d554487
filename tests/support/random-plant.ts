import { randomLcg, randomInt } from 'd3';
import {
  CONVERTING_KINDS,
  type Grade,
  type LinkKind,
  type Plant,
  type Scope,
} from '../../src/core/plant';

/** A seeded stream of choices, so that a failure can be repeated from its seed. */
export class Dice {
  private readonly next: () => number;

  constructor(seed: number) {
    this.next = randomLcg(seed / 1_000_003);
  }

  below(limit: number): number {
    return randomInt.source(this.next)(limit)();
  }

  chance(share: number): boolean {
    return this.next() < share;
  }

  pick<T>(from: readonly T[]): T {
    return from[this.below(from.length)] as T;
  }
}

const MEDIA = [
  { id: 'M-EL', name: 'power', energy: 'electrical', phase: 'none', hazards: [] },
  { id: 'M-AIR', name: 'air', energy: 'pressure', phase: 'gas', hazards: [] },
  { id: 'M-GAS', name: 'gas', energy: 'process', phase: 'gas', hazards: ['flammable'] },
  { id: 'M-WAT', name: 'water', energy: 'process', phase: 'liquid', hazards: [] },
  { id: 'M-MEC', name: 'shaft', energy: 'mechanical', phase: 'none', hazards: [] },
] as const satisfies Plant['media'];

const KINDS: readonly LinkKind[] = [
  'gate-valve',
  'gate-valve',
  'ball-valve',
  'ball-valve',
  'isolator',
  'circuit-breaker',
  'spectacle-blind',
  'spectacle-blind',
  'spool',
  'joint',
  'pump',
  'motor',
  'check-valve',
  'exchanger',
];

/** A kind that may join two sections: what keeps a medium apart is only put within one. */
function rollKind(dice: Dice, isOneMedium: boolean): LinkKind {
  const kind = dice.pick(KINDS);
  return isOneMedium || CONVERTING_KINDS.has(kind)
    ? kind
    : dice.pick(['pump', 'motor', 'exchanger']);
}

function rollLink(dice: Dice, n: number, media: readonly string[]): Plant['links'][number] {
  const count = media.length;
  const a = n < count - 1 ? n + 1 : dice.below(count);
  const b = n < count - 1 ? dice.below(n + 1) : (a + 1 + dice.below(count - 1)) % count;
  return {
    id: `L${n}`,
    kind: rollKind(dice, media[a] === media[b]),
    between: [`S${a}`, `S${b}`],
    ...(dice.chance(0.15) ? { normal: 'closed' as const } : {}),
    ...(dice.chance(0.1) ? { lockable: false } : {}),
    ...(dice.chance(0.3) ? { minutes: dice.below(30) } : {}),
    ...(dice.chance(0.05) ? { passing: true } : {}),
  };
}

/** A random small plant and job: few enough links and outlets to try every subset. */
export function rollPlant(seed: number): {
  plant: Plant;
  scope: Scope;
  grades: Record<string, Grade>;
} {
  const dice = new Dice(seed);
  const count = 3 + dice.below(4);
  const linkCount = count - 1 + dice.below(3);
  const outletCount = 1 + dice.below(4);
  const main = dice.pick(MEDIA).id;
  const media = Array.from({ length: count }, () =>
    dice.chance(0.8) ? main : dice.pick(MEDIA).id,
  );
  const links = Array.from({ length: linkCount }, (_, n) => rollLink(dice, n, media));
  const outlets = Array.from({ length: outletCount }, (_, n) => {
    const kind = dice.pick(['vent', 'drain', 'bleed', 'bleed', 'earth'] as const);
    return {
      id: `O${n}`,
      section: `S${n === 0 ? 0 : dice.below(count)}`,
      kind,
      leads_to: kind === 'earth' ? ('earth' as const) : dice.pick(['safe', 'atmosphere'] as const),
      ...(dice.chance(0.3) ? { minutes: dice.below(9) } : {}),
    };
  });
  const sections = Array.from({ length: count }, (_, n) => ({
    id: `S${n}`,
    name: `section ${n}`,
    medium: media[n] ?? main,
    area: 'A',
    ...(n > 0 && (n === count - 1 || dice.chance(0.3)) ? { source: { name: `source ${n}` } } : {}),
    ...(dice.chance(0.5) ? { serves: dice.below(20) } : {}),
    ...(dice.chance(0.8) ? { pressure_bar: dice.pick([0.5, 6, 16]) } : {}),
    ...(dice.chance(0.8) ? { temperature_c: dice.pick([15, 80]) } : {}),
    ...(dice.chance(0.7) ? { voltage_v: dice.pick([230, 11000]) } : {}),
    ...(dice.chance(0.2)
      ? {
          stores: [
            {
              id: `T${n}`,
              kind: 'gas' as const,
              release: dice.chance(0.5)
                ? `O${dice.below(outletCount)}`
                : dice.pick(['restrain', 'wait']),
            },
          ],
        }
      : {}),
  }));
  const plant: Plant = {
    format: 'heavy-lantern/plant',
    version: 1,
    name: `seed ${seed}`,
    areas: [{ id: 'A', name: 'area', outline: [], zone: 'none' }],
    media: [...MEDIA].map((medium) => ({ ...medium, hazards: [...medium.hazards] })),
    sections: sections as Plant['sections'],
    links,
    outlets,
    gauges: [],
    equipment: [],
  };
  const activity = dice.pick(['open', 'enter', 'hot-work', 'touch'] as const);
  const work = [{ section: 'S0', activity }];
  if (dice.chance(0.25) && !sections[1]?.source)
    work.push({ section: 'S1', activity: dice.pick(['open', 'touch'] as const) });
  const grades: Record<string, Grade> = {};
  for (const section of sections) {
    if (section.source && dice.chance(0.3)) {
      grades[section.id] = dice.pick([
        'single',
        'single-bled',
        'double',
        'double-bled',
        'positive',
      ] as const);
    }
  }
  return { plant, scope: { work, hours: dice.pick([8, 100]) }, grades };
}
