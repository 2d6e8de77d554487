import { parameter } from '../core/bench/store-inputs';
import { computePeak } from '../core/energy/electric';
import { linksOf, otherEnd } from '../core/plant';
import { ARRANGEMENTS, listPairs, type Arrangement } from '../core/proving';
import { secondsSince, type AsIs } from './as-is';

const isElectrical = ({ graph }: AsIs, section: number): boolean =>
  graph.medium[section]?.energy === 'electrical';

/** Whether a conductor of a section is fed: from a source over whatever is not open, a stuck blade being in. */
export function isConductorLive(plant: AsIs, section: number, conductor: string): boolean {
  const { graph, tight, faults } = plant;
  const isStuck = (link: number) =>
    faults.some(
      (one) =>
        one.kind === 'stuck-blade' &&
        one.item === graph.links[link]?.id &&
        one.conductor === conductor,
    );
  const reached = new Set([section]);
  for (const here of reached) {
    if (graph.isSource[here]) return true;
    for (const link of linksOf(graph, here)) {
      const next = otherEnd(graph, link, here);
      const passes = !tight.barred[link] || isStuck(link);
      if (passes && isElectrical(plant, next)) reached.add(next);
    }
  }
  return false;
}

interface Phasor {
  readonly x: number;
  readonly y: number;
}
const NOTHING: Phasor = { x: 0, y: 0 };
const TURN: Readonly<Record<string, number>> = { L: 0, L1: 0, L2: 120, L3: 240 };

/** What a live conductor carries against earth: a phase its star voltage, the one phase of two wires the whole. */
function potential(arrangement: Arrangement, conductor: string, volts: number): Phasor {
  const degrees = TURN[conductor];
  if (degrees === undefined) return NOTHING;
  const size = arrangement === 'single-phase' ? volts : volts / Math.sqrt(3);
  const angle = (degrees * Math.PI) / 180;
  return { x: size * Math.cos(angle), y: size * Math.sin(angle) };
}

/** What charged capacitors (V) still hold on a section, since the last point that cuts it off was opened. */
function findCharge(plant: AsIs, section: number): number {
  const { graph, tight, positions } = plant;
  const since = Math.max(0, ...positions.closed.values());
  const volts = graph.stores
    .filter(
      ({ store, section: at }) =>
        store.kind === 'capacitor' && tight.body[at] === tight.body[section],
    )
    .map(({ store }) => {
      const constant =
        (parameter(store, 'capacitance_f') ?? 0) * (parameter(store, 'resistance_ohm') ?? 0);
      const peak = computePeak(parameter(store, 'voltage_v') ?? 0);
      return constant > 0 ? peak * Math.exp(-secondsSince(plant, since) / constant) : peak;
    });
  return Math.max(0, ...volts);
}

/** Reads every pair of a section in turn (V, to the tenth). */
export function readPairs(
  plant: AsIs,
  section: number,
  arrangement: Arrangement,
): Record<string, number> {
  const volts = plant.graph.sections[section]?.voltage_v ?? 0;
  const names: readonly string[] = ARRANGEMENTS[arrangement];
  const live = new Map(
    names.map((name) => {
      const asked = name === 'L' ? 'L1' : name;
      const isLive = name !== 'N' && isConductorLive(plant, section, asked);
      return [name, isLive ? potential(arrangement, name, volts) : NOTHING] as const;
    }),
  );
  const isDead = [...live.values()].every((one) => one === NOTHING);
  const charge = isDead ? findCharge(plant, section) : 0;
  return Object.fromEntries(
    listPairs(arrangement).map((pair) => {
      const [a = '', b = ''] = pair.split('-');
      const [from, to] = [live.get(a) ?? NOTHING, live.get(b) ?? NOTHING];
      const across = Math.hypot(from.x - to.x, from.y - to.y);
      const held = a !== 'N' && b !== 'E' ? charge : 0;
      return [pair, Math.round(Math.max(across, held) * 10) / 10];
    }),
  );
}
