import { LOAD_WAYS, LOOKS } from '../briefing/briefing';
import { sayCylinders } from '../kit/cylinders';
import { capitalise } from '../text';
import { nameTopic } from './briefing';
import { clockOf, namer, type Sheet, type SheetFacts } from './sheet-parts';
import type { Dossier } from './state';

/** The briefing for whoever works: what was asked and answered, what was looked at, what the weather asks for, who has heard it. */
export function describeBriefing({ briefing }: Dossier, { site }: SheetFacts): Sheet[] {
  if (!briefing) return [];
  const [name, clock] = [namer(site), clockOf(site)];
  const { points, looked, loads, weather, told, heard, beside, by, at } = briefing;
  return [
    {
      title: 'Briefing',
      banner: `Held by ${name(by)}, ${clock(at)}`,
      blocks: [
        {
          kind: 'table',
          title: 'Asked and answered',
          head: ['Hazard', 'Question', 'Asked of', 'Answer'],
          widths: [3, 5, 3, 5],
          rows: points.map(({ topic, question, of, answer }) => {
            return [nameTopic(topic), question, name(of), answer];
          }),
        },
        {
          kind: 'table',
          title: 'Looked at before use',
          head: ['What', 'By', 'Seen'],
          widths: [4, 3, 6],
          rows: looked.map(({ what, by: person, seen }) => [
            capitalise(LOOKS[what]),
            person === undefined ? 'none is used' : name(person),
            seen,
          ]),
        },
        ...(loads.length === 0
          ? []
          : [
              {
                kind: 'list',
                title: 'Loads',
                items: loads.map(({ what, kg, way }) => `${what}: ${kg} kg, ${LOAD_WAYS[way]}`),
              } as const,
            ]),
        {
          kind: 'list',
          title: 'Heat and cold',
          items: [`${weather.air_c} °C at the work`, ...told],
        },
        { kind: 'list', title: 'What else goes on here', items: [beside] },
        {
          kind: 'table',
          title: 'Signed by',
          head: ['Who', 'When', 'Asked, for whoever came later'],
          widths: [4, 3, 6],
          rows: Object.entries(heard).map(([person, { at: when, asked }]) => [
            name(person),
            clock(when),
            asked ? `${asked.question} ${asked.answer}` : '',
          ]),
        },
      ],
    },
  ];
}

/** How gas cylinders stand, and what is repaired under pressure, on the permit. */
export function describeCylinders(
  { cylinders, pressureRepair }: Dossier,
  { site }: SheetFacts,
): Sheet['blocks'] {
  const [name, clock] = [namer(site), clockOf(site)];
  const rows: (readonly [string, string])[] = [
    ...(cylinders
      ? [['Gas cylinders', `${sayCylinders(cylinders)} (${name(cylinders.by)})`] as const]
      : []),
    ...(pressureRepair
      ? [
          [
            'Repaired under pressure',
            `${pressureRepair.what}, ${pressureRepair.bar} bar, until ${clock(pressureRepair.until)}: ${pressureRepair.limits}. Cleared by ${name(pressureRepair.by)}`,
          ] as const,
        ]
      : []),
  ];
  return rows.length === 0 ? [] : [{ kind: 'facts', rows }];
}
