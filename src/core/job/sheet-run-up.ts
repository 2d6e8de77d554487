import { viewRunUp } from './run-up';
import { clockOf, namer, type Sheet, type SheetFacts } from './sheet-parts';
import type { Dossier } from './state';

/** What is done before the hour of a stop, for whoever does it: by when it begins and ends, and what it comes after. */
export function describeRunUp(dossier: Dossier, { site, now }: SheetFacts): Sheet[] {
  const runUp = viewRunUp(dossier, site, now);
  if (!runUp) return [];
  const [name, clock] = [namer(site), clockOf(site)];
  const nameOf = (id: string) => runUp.steps.find((step) => step.id === id)?.what ?? id;
  const { calls } = dossier;
  const sayCall = (call: 'ready' | 'back') => {
    const made = calls[call];
    return made && `${name(made.by)} to ${made.whom}, ${clock(made.at)}: ${made.said}`;
  };
  return [
    {
      title: 'Before the stop',
      banner: `Stop at ${clock(runUp.hour)}`,
      blocks: [
        {
          kind: 'table',
          title: 'Counted back from the hour',
          head: ['What', 'Who', 'Begins by', 'Ends by', 'After', 'Done'],
          widths: [4, 3, 3, 3, 4, 3],
          rows: runUp.steps.map(({ what, who, kind, beginBy, endBy, after, done }) => [
            what,
            name(who),
            kind === 'ready' ? '' : clock(beginBy),
            clock(endBy),
            after.map(nameOf).join(', '),
            done ? clock(done.at) : '',
          ]),
        },
        {
          kind: 'facts',
          title: 'The two calls',
          rows: [
            ['The plant is ready', sayCall('ready')],
            ['The plant is handed back', sayCall('back')],
          ],
        },
      ],
    },
  ];
}
