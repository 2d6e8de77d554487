import { listConditions, nameHazard, PAPERS } from '../permits';
import { describePoint, type Step } from '../sequence';
import { viewClearances } from './clearances';
import { sayBounds } from './firms';
import { listJobCautions } from './cautions';
import { describeCertificate } from './certificates';
import { clockOf, describeState, namer, type Sheet, type SheetFacts } from './sheet-parts';
import { describeBriefing, describeCylinders } from './sheet-briefing';
import { describeClearing } from './sheet-clearing';
import { describeRunUp } from './sheet-run-up';
import { describeLiveBeside, describeSums } from './sheet-sums';
import { findPlaceOf } from './clashes';
import { computeLamps } from './lamps';
import { findWorkOrder, type SiteFacts, type WorkOrder } from './site';
import { isHeld, isNumbered, listOn, type Dossier, type Mark, type NumberedPermit } from './state';

function describeCopy(permit: NumberedPermit, copy: number | undefined): string {
  const found = permit.copies.find(({ number }) => number === copy);
  if (!found) return 'for reading; not a copy to work under';
  const instead =
    found.instead === undefined ? '' : `, SECOND COPY in place of No. ${found.instead}`;
  return `No. ${found.number}, ${found.holder}${instead}`;
}

const signer =
  (site: SiteFacts) =>
  ({ by, at }: Mark): string =>
    `${namer(site)(by)}, PIN, ${clockOf(site)(at)}`;

/** The permit itself: what, where, who, until when, and who signed. */
function describePermit(dossier: Dossier, facts: SheetFacts): Sheet {
  const { site, job, copy } = facts;
  const [name, clock, sign] = [namer(site), clockOf(site), signer(site)];
  const { permit, scope, team, performer, equipment, title } = dossier;
  const { areas } = findPlaceOf(dossier, site);
  const areaName = (id: string) =>
    site.graph.plant.areas.find((area) => area.id === id)?.name ?? id;
  const numbered = isNumbered(permit) ? permit : undefined;
  const on = Object.entries(listOn(permit));
  return {
    title: `Permit to work ${numbered?.number ?? ''}`.trim(),
    banner: describeState(dossier, site),
    blocks: [
      {
        kind: 'facts',
        rows: [
          ['Work', `${title} (${job})`],
          ['Equipment', equipment],
          ['Place', areas.map(areaName).join(', ')],
          [
            'Opened, entered, touched',
            scope.work.map(({ section, activity }) => `${section}: ${activity}`).join('; '),
          ],
          ['Bounds', sayBounds(dossier)],
          ...viewClearances(dossier, site, facts.now).map(
            ({ operator, points, given }) =>
              [
                `Clearance of ${operator}`,
                given
                  ? `${given.number}, given by ${given.person}: isolates ${given.isolates}, earths ${given.earths}; ends ${clock(given.until)} (${points.join(', ')})`
                  : undefined,
              ] as const,
          ),
          ...(dossier.barriers
            ? [
                [
                  'Barriers and notices',
                  `${dossier.barriers.where}; ${dossier.barriers.notices}; ${sign(dossier.barriers)}`,
                ] as const,
              ]
            : []),
          ...(scope.emptied?.length
            ? [['Run empty before', scope.emptied.join(', ')] as const]
            : []),
          [
            'Papers',
            (numbered?.papers ?? dossier.papers?.kinds ?? [])
              .map((kind) => PAPERS[kind])
              .join(', '),
          ],
          ['Performing authority', name(performer)],
          ['Team', team.length === 0 ? 'whoever signs on below' : team.map(name).join(', ')],
          ...(numbered
            ? ([
                [
                  'Issued',
                  `${name(numbered.issuer)} and ${name(performer)}, both by PIN, ${clock(numbered.issuedAt)}`,
                ],
                ['Approved', sign(numbered.approved)],
                ...numbered.extensions.map(
                  (one) =>
                    [
                      'Extended',
                      `to ${clock(one.until)} after ${one.retested}; ${sign(one)}`,
                    ] as const,
                ),
                ['Copy', describeCopy(numbered, copy)],
              ] as const)
            : []),
        ],
      },
      {
        kind: 'list',
        title: 'Conditions',
        items: listConditions('general', site.values),
      },
      ...listJobCautions(dossier, site).map(
        ({ title: kind, of, says }) =>
          ({ kind: 'list', title: `Caution: ${kind} (${of.join(', ')})`, items: says }) as const,
      ),
      ...describeSums(dossier, facts),
      ...describeCylinders(dossier, facts),
      ...('assessment' in permit
        ? [
            {
              kind: 'list',
              title: 'Protective equipment',
              items: [permit.assessment.wear.join(', ')],
            } as const,
            {
              kind: 'list',
              title: 'For an emergency',
              items: permit.assessment.emergency,
            } as const,
          ]
        : []),
      {
        kind: 'table',
        title: 'Signed on',
        head: ['Name', 'Employer', 'Lock', 'On', 'Off'],
        widths: [4, 4, 2, 3, 3],
        rows: [
          ...on.map(([id, { locks, since }]) => [
            name(id),
            site.people.get(id)?.employer ?? '',
            Object.values(locks).join(', '),
            clock(since),
            '',
          ]),
          ...Array.from({ length: 4 }, () => ['', '', '', '', '']),
        ],
      },
      {
        kind: 'facts',
        title: 'Handed back and closed',
        rows:
          isHeld(permit) || !numbered || !('handedBack' in numbered)
            ? [
                ['Handed back by', undefined],
                ['Inspected and closed by', undefined],
              ]
            : [
                ['Handed back by', sign(numbered.handedBack)],
                [
                  'Inspected and closed by',
                  numbered.kind === 'closed' ? sign(numbered.closed) : undefined,
                ],
              ],
      },
    ],
  };
}

/** The task assessed: step by step, hazards with their controls by rank and what remains. */
function describeAssessment(dossier: Dossier, { site }: SheetFacts): Sheet[] {
  const { permit } = dossier;
  if (!('assessment' in permit)) return [];
  const name = namer(site);
  const { steps, left, wear, emergency, questions, by, at } = permit.assessment;
  return [
    {
      title: 'Task assessment',
      banner: `Assessed by ${name(by)}, ${clockOf(site)(at)}`,
      blocks: [
        {
          kind: 'table',
          title: 'Hazards and controls',
          head: ['Step', 'Hazard', 'Controls', 'Remains'],
          widths: [3, 4, 7, 2],
          rows: steps.flatMap(({ step, hazards }) =>
            hazards.map(({ hazard, controls, remains, accepter }, n) => [
              n === 0 ? step : '',
              nameHazard(hazard),
              controls.map(({ rank, control }) => `${rank}: ${control}`).join('; '),
              accepter === undefined ? remains : `${remains}, ${name(accepter)}`,
            ]),
          ),
        },
        ...(Object.keys(left).length > 0
          ? [
              {
                kind: 'list',
                title: 'Does not apply',
                items: Object.entries(left).map(([code, why]) => `${nameHazard(code)}: ${why}`),
              } as const,
            ]
          : []),
        { kind: 'list', title: 'Protective equipment', items: wear },
        { kind: 'list', title: 'For an emergency', items: emergency },
        { kind: 'list', title: 'Asked at the briefing', items: questions },
      ],
    },
  ];
}

/** What was run empty, and which proofs say that it is. */
function describeEmptied({ requirement, proofs }: WorkOrder): Sheet['blocks'] {
  const { emptied } = requirement.trace;
  if (emptied.length === 0) return [];
  return [
    {
      kind: 'table',
      title: 'Run empty before',
      head: ['What', 'Proved by'],
      widths: [6, 5],
      rows: emptied.map(({ id, name }) => [
        `${id} (${name})`,
        proofs
          .filter(({ covers }) => covers.includes(id))
          .map((proof) => proof.id)
          .join(', '),
      ]),
    },
  ];
}

/** The isolation as it stands: each point with lock and tag, each reading that proves it, each try to start. */
function describeIsolation(dossier: Dossier, facts: SheetFacts): Sheet[] {
  const { site } = facts;
  const order = findWorkOrder(dossier, site);
  if (!order) return [];
  const name = namer(site);
  const { locked, tagged, opened, seenOpen, restrained, proved, tried, box } = dossier.isolation;
  const { close, open, restrain, stand = [] } = order.plan;
  const whereOf = (id: string) => {
    const point = describePoint(site.graph, id);
    return point ? `${point.what}, ${point.where}` : '';
  };
  const hung = (mark: Mark | undefined) =>
    mark ? `${name(mark.by)} ${clockOf(site)(mark.at)}` : '';
  /** Steps that are no points of the plan: done, or not. */
  const seenRows = (
    isOne: (step: Step) => boolean,
    done: Readonly<Record<string, Mark>>,
    [is, isNot]: readonly [string, string],
  ) =>
    order.steps
      .filter(isOne)
      .map(({ subject }) => [
        subject,
        whereOf(subject),
        subject in done ? is : isNot,
        '',
        hung(done[subject]),
      ]);
  return [
    {
      title: 'Isolation',
      banner: box
        ? `Keys in ${box.box}, control lock ${box.lock} (${name(box.by)})`
        : 'No box is locked',
      blocks: [
        ...describeEmptied(order),
        ...describeLiveBeside(order, facts),
        {
          kind: 'table',
          title: 'What can arrive',
          head: ['Arrival', 'Lamp', 'Why'],
          widths: [8, 2, 6],
          rows: computeLamps(dossier, site).map(({ kind, id, name, state, why }) => [
            kind === 'store' ? `${name} (${id})` : name,
            state,
            why,
          ]),
        },
        {
          kind: 'table',
          title: 'Points',
          head: ['Point', 'What and where', 'Held', 'Lock', 'By'],
          widths: [3, 6, 2, 2, 4],
          rows: [
            ...close.map((id) => [
              id,
              whereOf(id),
              id in tagged ? 'tag alone' : 'isolated',
              locked[id]?.lock ?? '',
              hung(locked[id] ?? tagged[id]),
            ]),
            ...stand.map((id) => [
              id,
              whereOf(id),
              'locked open',
              locked[id]?.lock ?? '',
              hung(locked[id]),
            ]),
            ...seenRows(({ phase }) => phase === 'see-open', seenOpen, [
              'seen open',
              'NOT SEEN OPEN',
            ]),
            ...open.map((id) => [id, whereOf(id), 'open', '', hung(opened[id])]),
            ...restrain.map((id) => [id, whereOf(id), 'restrained', '', hung(restrained[id])]),
            ...seenRows(({ isHold }) => isHold === true, restrained, [
              'shaft held',
              'SHAFT NOT HELD',
            ]),
          ],
        },
        {
          kind: 'table',
          title: 'Proved',
          head: ['What', 'Reading', 'Instrument', 'By'],
          widths: [6, 3, 3, 5],
          rows: order.proofs.map(({ id }) => {
            const proof = proved[id];
            return [
              id,
              proof ? `${proof.reading} ${proof.unit}` : 'NOT PROVED',
              proof?.instrument ?? '',
              hung(proof),
            ];
          }),
        },
        {
          kind: 'table',
          title: 'Tried to start',
          head: ['From', 'By'],
          widths: [6, 5],
          rows: order.stations.map((station) => [
            station,
            tried[station] ? hung(tried[station]) : 'NOT TRIED',
          ]),
        },
      ],
    },
  ];
}

/** The set of papers of a job as it stands: the permit, its certificates, the assessment and the isolation. */
export function describeSheets(dossier: Dossier, facts: SheetFacts): Sheet[] {
  const { permit, papers } = dossier;
  const kinds = (isNumbered(permit) ? permit.papers : papers?.kinds) ?? [];
  return [
    describePermit(dossier, facts),
    ...kinds
      .filter((kind) => kind !== 'general')
      .map((kind) => describeCertificate(kind, dossier, facts)),
    ...describeAssessment(dossier, facts),
    ...describeBriefing(dossier, facts),
    ...describeIsolation(dossier, facts),
    ...describeRunUp(dossier, facts),
    ...describeClearing(dossier, facts),
  ];
}
