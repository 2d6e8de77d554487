import type { Plant, Scope } from '../../src/core/plant';
import { Dice } from './random-plant';

/**
 * A random job on lines that have two valves with a bleed between them, hung on shared headers, some by-passed and some with a
 * blind: what demands double block and bleed. Small enough to try every subset. Invented.
 */
export function rollLines(seed: number): { plant: Plant; scope: Scope } {
  const dice = new Dice(seed * 31 + 5);
  const sections: Plant['sections'] = [];
  const links: Plant['links'] = [];
  const outlets: Plant['outlets'] = [];
  const section = (more: object = {}): string => {
    const id = `S${sections.length}`;
    const serves = dice.chance(0.3) ? { serves: dice.below(9) } : {};
    sections.push({ id, name: id, medium: 'GAS', area: 'A', pressure_bar: 2, ...serves, ...more });
    return id;
  };
  const link = (kind: 'gate-valve' | 'spectacle-blind' | 'joint', a: string, b: string) => {
    const minutes = dice.chance(0.4) ? { minutes: dice.below(25) } : {};
    const normal = dice.chance(0.1) ? { normal: 'closed' as const } : {};
    links.push({ id: `L${links.length}`, kind, between: [a, b], ...minutes, ...normal });
  };
  const bleed = (at: string) => {
    const minutes = dice.chance(0.5) ? { minutes: dice.below(30) } : {};
    outlets.push({
      id: `O${outlets.length}`,
      section: at,
      kind: 'bleed',
      leads_to: 'safe',
      ...minutes,
    });
  };
  const work = section();
  bleed(work);
  const header = section(dice.chance(0.4) ? { source: { name: 'header' } } : {});
  if (!sections[1]?.source) {
    const source = section({ source: { name: 'supply' } });
    link(dice.chance(0.7) ? 'gate-valve' : 'joint', source, header);
    if (dice.chance(0.3)) bleed(header);
  }
  const lines = 1 + dice.below(2);
  for (let n = 0; n < lines; n++) {
    const between = section();
    const from = dice.chance(0.7) ? header : section({ source: { name: `supply ${n}` } });
    link('gate-valve', from, between);
    if (dice.chance(0.9)) bleed(between);
    link(dice.chance(0.85) ? 'gate-valve' : 'spectacle-blind', between, work);
  }
  if (dice.chance(0.4)) link('gate-valve', header, work);
  if (dice.chance(0.3)) link('gate-valve', `S${2 + dice.below(sections.length - 2)}`, header);
  const plant: Plant = {
    format: 'heavy-lantern/plant',
    version: 1,
    name: `lines ${seed}`,
    areas: [{ id: 'A', name: 'area', outline: [], zone: 'none' }],
    media: [{ id: 'GAS', name: 'gas', energy: 'process', phase: 'gas', hazards: ['flammable'] }],
    sections,
    links: links.filter(({ between: [a, b] }) => a !== b),
    outlets,
    gauges: [],
    equipment: [],
  };
  return { plant, scope: { work: [{ section: work, activity: 'open' }], hours: 8 } };
}
