import { SUBSTANCES, type AirUse } from '../gas';
import { listConditions, PAPERS, type PaperKind } from '../permits';
import { airLimits } from './air';
import { viewEntry } from './entry';
import { viewHotWork } from './hot-work';
import { listProposed } from './papers';
import {
  clockOf,
  describeState,
  namer,
  type Block,
  type Sheet,
  type SheetFacts,
} from './sheet-parts';
import type { Dossier } from './state';
import { findStay, listGasTests, valuesFor } from './sums';

const RESCUE_WORDS = {
  device: 'by a mechanical device over the opening',
  reach: 'pulled out by line from outside',
  team: 'by a team that goes in',
} as const;

/** The entry as it was planned and went: 29 CFR 1910.146(f)(1), (7), (9) and (11) to (13). */
function describeEntry(dossier: Dossier, { site }: SheetFacts): Block[] {
  const view = viewEntry(dossier, site);
  if (!view) return [];
  const { plan, opened, purged, inside, tools } = dossier.entry;
  const { oxygenLeast, oxygenMost, lflMost, exposureMost } = airLimits(site.values, 'entry');
  const stay = findStay(dossier);
  const name = namer(site);
  const clock = clockOf(site);
  const hazards = [...new Set(view.hazards.map(({ why }) => why))];
  return [
    {
      kind: 'facts',
      title: 'The entry',
      rows: [
        ['Space', view.space?.name],
        ['At most inside', plan ? String(plan.most) : undefined],
        ['Longest stay', stay === undefined ? 'not limited' : `${stay} min`],
        ['Dangers of the space', hazards.join(', ')],
        [
          'Fit to enter',
          `oxygen ${oxygenLeast} to ${oxygenMost} % vol; flammables below ${lflMost} % LFL; poisons at most ${exposureMost} % of their limits`,
        ],
        ...(dossier.entry.cover ? [['Cover', `${dossier.entry.cover.weight_kg} kg`] as const] : []),
        ...[...view.checks.open, ...view.checks.enter].map(
          ({ asks, found }) =>
            [
              asks,
              found &&
                `${found.here ? found.words : `not here: ${found.words}`}${found.person === undefined ? '' : `, with ${name(found.person)}`}`,
            ] as const,
        ),
        ['Got out', plan && `${RESCUE_WORDS[plan.rescue]}: ${plan.rescueHow}`],
        ['Rescue practised', plan && plan.drilledAt.slice(0, 10)],
        ['Help is called by', plan?.call],
        ['Those inside talk by', plan?.talk],
        ['Opened, guarded by', opened && `${clock(opened.at)}: ${opened.guard}`],
        ['Purged to the end', purged && `${clock(purged.at)}: ${purged.seen}`],
        ['Inside now', Object.keys(inside).map(name).join(', ') || 'nobody'],
        ['Things inside', String(tools)],
      ],
    },
  ];
}

/** The surroundings of hot work, each neighbour with what was done about it, and what warns. */
function describeSurroundings(dossier: Dossier, { site }: SheetFacts): Block[] {
  const view = viewHotWork(dossier, site);
  if (!view) return [];
  const { cold, cleared, monitors, briefed } = dossier.hotWork;
  const name = namer(site);
  return [
    {
      kind: 'facts',
      title: 'Before hot work',
      rows: [
        ['Not cold, because', cold?.cold],
        ['Not elsewhere, because', cold?.elsewhere],
        [
          'Monitors',
          monitors &&
            `${monitors.devices.join(', ')}; wind from ${monitors.from_deg}° at ${monitors.wind_m_s} m/s`,
        ],
        [
          'Can breathe out here',
          view.breathing
            .map(({ bodies, opening }) => `${bodies[0]?.name ?? ''} at ${opening.name}`)
            .join('; ') || 'nothing that the drawing shows',
        ],
      ],
    },
    {
      kind: 'facts',
      title: 'What the fire watch knows before the first spark',
      rows: [
        ['Nearest alarm point', briefed?.alarm],
        ['Hose or hydrant', briefed?.water],
        ['Extinguisher', briefed?.extinguisher],
        ['Two ways out', briefed?.exits.join('; ')],
        ['Telephone', briefed?.telephone],
        ['Eyewash', briefed?.eyewash],
        ['How many work there', briefed && String(briefed.people)],
        [
          'What sparks can reach',
          briefed &&
            (briefed.sees === 'all' ? 'seen by one watch' : 'not seen by one: two watches'),
        ],
        ['Gone through by', briefed && name(briefed.by)],
      ],
    },
    {
      kind: 'table',
      title: `Within ${view.radius_m} m`,
      head: ['What', 'How far', 'It is', 'Seen', 'By'],
      widths: [6, 2, 3, 5, 3],
      rows: view.neighbours.map(({ id, name: what, distance_m }) => {
        const done = cleared[id];
        const far = distance_m === undefined ? 'not drawn' : `${distance_m.toFixed(1)} m`;
        const blank = done?.blank ? ` at ${done.blank.links.join(', ')}` : '';
        return [
          `${id} ${what}`,
          far,
          done ? `${done.way}${blank}` : '',
          done?.note ?? '',
          done ? name(done.by) : '',
        ];
      }),
    },
  ];
}

/** A pressure test with gas: what it shuts in, how far off people stay, and who allowed it. */
function describeGasTest(dossier: Dossier, { site }: SheetFacts): Block[] {
  const tests = listGasTests(dossier);
  if (tests.length === 0) return [];
  const { gasTest } = dossier;
  const [name, clock] = [namer(site), clockOf(site)];
  return [
    {
      kind: 'facts',
      title: 'Test with gas',
      rows: [
        ...tests.map(
          ({ subject, pressure_bar, energy_kj, clear_m }) =>
            [
              subject,
              `${pressure_bar} bar, ${energy_kj} kJ shut in; everybody stays ${clear_m} m away`,
            ] as const,
        ),
        ['Water will not do', gasTest?.why],
        ['While it stands under pressure', gasTest?.stands],
        ['Allowed by', gasTest && `${name(gasTest.by)}, PIN, ${clock(gasTest.at)}`],
      ],
    },
  ];
}

const AIR_OF: Readonly<Partial<Record<PaperKind, AirUse>>> = {
  'confined-space': 'entry',
  'hot-work': 'hot-work',
};

/** Tests of the air by level, with who read them and when (29 CFR 1910.146(f)(10)), and lines for those to come. */
function describeAir(kind: PaperKind, dossier: Dossier, { site }: SheetFacts): Block[] {
  const [name, clock] = [namer(site), clockOf(site)];
  const use = AIR_OF[kind];
  if (use === undefined) return [];
  const rows = dossier.airTests
    .filter((test) => test.use === use)
    .flatMap(({ by, at, samples, isFit }) =>
      samples.map(({ level, place, readings }) => [
        clock(at),
        `${level}, ${place}`,
        readings
          .map(({ gas, shown, unit }) => `${SUBSTANCES[gas].name} ${shown} ${unit}`)
          .join(', '),
        isFit ? 'fit' : 'NOT FIT',
        name(by),
      ]),
    );
  return [
    {
      kind: 'table',
      title: 'Tests of the air',
      head: ['When', 'Where', 'Readings', 'Verdict', 'Tested by'],
      widths: [3, 3, 7, 2, 3],
      rows: [...rows, ...Array.from({ length: 3 }, () => ['', '', '', '', ''])],
    },
  ];
}

/** What a certificate says beyond its conditions. */
const MORE: Readonly<Partial<Record<PaperKind, (dossier: Dossier, facts: SheetFacts) => Block[]>>> =
  {
    'confined-space': describeEntry,
    'hot-work': describeSurroundings,
    'pressure-test': describeGasTest,
  };

/** A certificate that goes with the permit: why it is needed, its conditions, and who stands by. */
export function describeCertificate(kind: PaperKind, dossier: Dossier, facts: SheetFacts): Sheet {
  const { site } = facts;
  const name = namer(site);
  const duties = Object.entries(dossier.duties);
  const why = listProposed(dossier, site).find((one) => one.kind === kind)?.reasons ?? [
    'taken up by whoever decided on the papers',
  ];
  return {
    title: PAPERS[kind],
    banner: describeState(dossier, site),
    blocks: [
      { kind: 'list', title: 'Why it is needed', items: why },
      { kind: 'list', title: 'Conditions', items: listConditions(kind, valuesFor(dossier, site)) },
      ...(MORE[kind]?.(dossier, facts) ?? []),
      ...describeAir(kind, dossier, facts),
      ...(kind === 'hot-work' || kind === 'confined-space'
        ? [
            {
              kind: 'facts',
              title: 'Standing by',
              rows:
                duties.length > 0
                  ? duties.map(([person, { duty }]) => [duty, name(person)] as const)
                  : ([['Name', undefined]] as const),
            } as const,
          ]
        : []),
    ],
  };
}
