import { randomLcg, randomInt } from 'd3';
import {
  canMove,
  carrierOf,
  findCrossing,
  LINK_KINDS,
  type Grade,
  type LinkKind,
  type Medium,
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
  { id: 'M-AIR', name: 'air', energy: 'pressure', phase: 'gas', hazards: [] },
  { id: 'M-GAS', name: 'gas', energy: 'process', phase: 'gas', hazards: ['flammable'] },
  { id: 'M-WAT', name: 'water', energy: 'process', phase: 'liquid', hazards: [] },
  { id: 'M-OIL', name: 'hot oil', energy: 'thermal', phase: 'liquid', hazards: [] },
  { id: 'M-EL', name: 'power', energy: 'electrical', phase: 'none', hazards: [] },
  { id: 'M-MEC', name: 'shaft', energy: 'mechanical', phase: 'none', hazards: [] },
  { id: 'M-HOT', name: 'heat', energy: 'thermal', phase: 'none', hazards: [] },
  { id: 'M-RAY', name: 'rays', energy: 'radiation', phase: 'none', hazards: [] },
] as const satisfies Plant['media'];

type MediumId = (typeof MEDIA)[number]['id'];

const mediumOf = (id: MediumId): Medium =>
  structuredClone(MEDIA.find((one) => one.id === id)) as unknown as Medium;

/** Kinds that are drawn more often than the rest: what plants are mostly made of. */
const COMMON: readonly LinkKind[] = [
  'gate-valve',
  'gate-valve',
  'ball-valve',
  'isolator',
  'circuit-breaker',
  'spectacle-blind',
  'joint',
  'check-valve',
  'pump',
  'motor',
  'exchanger',
  'coupling',
  'clutch',
];

/** A kind that can join two media; undefined when none can. */
function rollKind(dice: Dice, a: MediumId, b: MediumId): LinkKind | undefined {
  const [one, other] = [carrierOf(mediumOf(a)), carrierOf(mediumOf(b))];
  const fits = (kind: LinkKind) => findCrossing(kind, one, other) !== undefined;
  const common = COMMON.filter(fits);
  const all = LINK_KINDS.filter(fits);
  if (all.length === 0) return undefined;
  return common.length > 0 && dice.chance(0.6) ? dice.pick(common) : dice.pick(all);
}

/** The two sections of a link: a tree first, so that all hang together, then anything. */
function rollEnds(dice: Dice, n: number, count: number): readonly [number, number] {
  const a = n < count - 1 ? n + 1 : dice.below(count);
  const b = n < count - 1 ? dice.below(n + 1) : (a + 1 + dice.below(count - 1)) % count;
  return [a, b];
}

function rollLinks(dice: Dice, linkCount: number, media: MediumId[]): Plant['links'] {
  return Array.from({ length: linkCount }, (_, n) => {
    const [a, b] = rollEnds(dice, n, media.length);
    const kind = rollKind(dice, media[a] as MediumId, media[b] as MediumId);
    // Where nothing can join the two the new one is made like the other.
    if (!kind && n < media.length - 1) media[a] = media[b] as MediumId;
    return { n, a, b };
  }).flatMap(({ n, a, b }) => {
    const kind = rollKind(dice, media[a] as MediumId, media[b] as MediumId);
    if (!kind) return [];
    return [
      {
        id: `L${n}`,
        kind,
        between: [`S${a}`, `S${b}`] as [string, string],
        ...(dice.chance(0.15) ? { normal: 'closed' as const } : {}),
        ...(dice.chance(0.08) ? { lockable: false } : {}),
        ...(dice.chance(0.05) ? { operated: 'remote' as const } : {}),
        ...(dice.chance(0.3) ? { minutes: dice.below(30) } : {}),
        ...(dice.chance(0.05) ? { passing: true } : {}),
        ...(dice.chance(0.06) ? rollMover(dice, media) : {}),
        ...(kind === 'relief-valve' ? { protects: [`S${dice.below(media.length)}`] } : {}),
      },
    ];
  });
}

/** What moves a device: some section whose medium can. */
function rollMover(dice: Dice, media: readonly MediumId[]): { powered_by?: string } {
  const at = dice.below(media.length);
  return canMove(carrierOf(mediumOf(media[at] as MediumId))) ? { powered_by: `S${at}` } : {};
}

/** Positions that never stand at once: two or three of what a plan can move. */
function rollInterlocks(
  dice: Dice,
  links: Plant['links'],
  outlets: Plant['outlets'],
): NonNullable<Plant['interlocks']> {
  return Array.from({ length: 1 + dice.below(2) }, (_, n) => {
    const open = new Set<string>();
    const closed = new Set<string>();
    for (let tries = 0; open.size + closed.size < 2 + dice.below(2) && tries < 20; tries++) {
      const link = dice.pick(links).id;
      if (dice.chance(0.25)) open.add(dice.pick(outlets).id);
      else if (!open.has(link) && !closed.has(link)) (dice.chance(0.6) ? closed : open).add(link);
    }
    return { id: `I${n}`, open: [...open], closed: [...closed] };
  }).filter(({ open, closed }) => open.length + closed.length > 1);
}

/** Some links that exclude one another, as the ways of one valve do. */
function rollExcluding(dice: Dice, links: Plant['links']): Plant['links'] {
  const [from, to] = [dice.pick(links), dice.pick(links)];
  if (from === to) return links;
  return links.map((link) => (link === from ? { ...link, excludes: [to.id] } : link));
}

/** The same plant worn: some of its links stuck, some of its outlets blocked. */
export function wear(seed: number, plant: Plant): Plant {
  const dice = new Dice(seed + 31_337);
  return {
    ...plant,
    links: plant.links.map((link) => (dice.chance(0.2) ? { ...link, seized: true } : link)),
    outlets: plant.outlets.map((one) => (dice.chance(0.25) ? { ...one, plugged: true } : one)),
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
  const media = Array.from({ length: count }, (): MediumId =>
    dice.chance(0.6) ? main : dice.pick(MEDIA).id,
  );
  const links = rollLinks(dice, linkCount, media);
  const outlets = Array.from({ length: outletCount }, (_, n) => {
    const kind = dice.pick(['vent', 'drain', 'bleed', 'bleed', 'earth'] as const);
    return {
      id: `O${n}`,
      section: `S${n === 0 ? 0 : dice.below(count)}`,
      kind,
      leads_to: kind === 'earth' ? ('earth' as const) : dice.pick(['safe', 'atmosphere'] as const),
      ...(dice.chance(0.3) ? { minutes: dice.below(dice.chance(0.3) ? 40 : 9) } : {}),
    };
  });
  const sections = Array.from({ length: count }, (_, n) => ({
    id: `S${n}`,
    name: `section ${n}`,
    medium: media[n] ?? main,
    area: 'A',
    ...(n > 0 && (n === count - 1 || dice.chance(0.3)) ? { source: { name: `source ${n}` } } : {}),
    ...(dice.chance(0.5) ? { serves: dice.below(20) } : {}),
    ...(dice.chance(0.85) ? { pressure_bar: dice.pick([0, 0, 0.5, 6, 16]) } : {}),
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
  const hasBars = dice.chance(0.35);
  const plant: Plant = {
    format: 'heavy-lantern/plant',
    version: 1,
    name: `seed ${seed}`,
    areas: [{ id: 'A', name: 'area', outline: [], zone: 'none' }],
    media: MEDIA.map(({ id }) => mediumOf(id)),
    sections: sections as Plant['sections'],
    links: hasBars && dice.chance(0.4) ? rollExcluding(dice, links) : links,
    outlets,
    gauges: [],
    equipment: [],
    ...(hasBars ? { interlocks: rollInterlocks(dice, links, outlets) } : {}),
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
