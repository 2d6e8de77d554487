import { viewClearing } from './clearing';
import { clockOf, namer, type Sheet, type SheetFacts } from './sheet-parts';
import type { Dossier } from './state';

/** A line that is cleared with gas, for whoever stands along it, and the messages between its ends. */
export function describeClearing(dossier: Dossier, { site, now }: SheetFacts): Sheet[] {
  const { clearing, messages } = dossier;
  const [name, clock] = [namer(site), clockOf(site)];
  const sheet: Sheet = {
    title: clearing ? 'Line cleared with gas' : 'Messages',
    banner: clearing ? 'Nobody forces a pig that is stuck' : 'Between people out of sight',
    blocks: [],
  };
  const said: Sheet['blocks'] = [
    {
      kind: 'table',
      title: 'Messages',
      head: ['No.', 'From', 'To', 'Said', 'Sent', 'Read back'],
      widths: [1, 3, 3, 6, 3, 4],
      rows: messages.map(({ number, by, to, said: words, at, back }) => [
        String(number),
        name(by),
        name(to),
        words,
        clock(at),
        back ? `${clock(back.at)}, ${back.right ? 'right' : 'WRONG'}` : 'NOT READ BACK',
      ]),
    },
  ];
  if (!clearing) return messages.length > 0 ? [{ ...sheet, blocks: said }] : [];
  const { plan, worked } = clearing;
  return [
    {
      ...sheet,
      blocks: [
        {
          kind: 'facts',
          rows: [
            ['Lets the gas in', name(plan.launcher)],
            ['At the receiver', name(plan.catcher)],
            ['Everybody else', plan.stands],
            ['Driven with', `${plan.drive_bar} bar`],
            ['Relief set to', `${plan.relief_bar} bar`],
            ['Weakest part stands', `${plan.weakest_bar} bar`],
            ['All of it', `${worked.length_m} m, ${worked.volume_m3} m³, ${worked.energy_kj} kJ`],
            ['In the valley', `up to ${worked.valley_bar} bar at ${worked.valley_m} m`],
            ['Nobody near the receiver', `${viewClearing(dossier, site, now)?.zone_m ?? ''} m`],
            ['Walked', clearing.walked && `${name(clearing.walked.by)}: ${clearing.walked.seen}`],
          ],
        },
        {
          kind: 'table',
          title: 'Sections in their order',
          head: ['From (m)', 'To (m)', 'Volume (m³)', 'Energy (kJ)', 'Stay away (m)', 'Cleared'],
          widths: [2, 2, 2, 2, 2, 2],
          rows: worked.sections.map(({ start_m, end_m, volume_m3, energy_kj, clear_m }, n) => [
            ...[start_m, end_m, volume_m3, energy_kj, clear_m].map(String),
            n < clearing.cleared ? 'yes' : '',
          ]),
        },
        ...said,
      ],
    },
  ];
}
