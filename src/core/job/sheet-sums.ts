import { sayDistance } from '../proving';
import { sayNoted } from './sums';
import { clockOf, namer, type Block, type SheetFacts } from './sheet-parts';
import type { WorkOrder } from './site';
import type { Dossier } from './state';

/** The sums of the Bench that were noted for the job, each in its sentence, with who noted it. */
export function describeSums({ noted }: Dossier, { site }: SheetFacts): Block[] {
  const sums = Object.values(noted);
  if (sums.length === 0) return [];
  const [name, clock] = [namer(site), clockOf(site)];
  return [
    {
      kind: 'table',
      title: 'Worked out for this job',
      head: ['About', 'What', 'Came to', 'By'],
      widths: [3, 4, 6, 4],
      rows: sums.map((one) => [
        one.subject,
        one.title,
        sayNoted(one),
        `${name(one.by)} ${clock(one.at)}`,
      ]),
    },
  ];
}

/** What stays live beside conductors that are worked on, and how far people stay away. */
export function describeLiveBeside({ proofs }: WorkOrder, { site }: SheetFacts): Block[] {
  const beside = proofs.flatMap((proof) =>
    proof.beside ? [{ ...proof.beside, id: proof.section }] : [],
  );
  if (beside.length === 0) return [];
  return [
    {
      kind: 'table',
      title: 'Stays live beside the work',
      head: ['Beside', 'Live', 'Distance'],
      widths: [3, 4, 8],
      rows: beside.map((one) => [one.id, one.sections.join(', '), sayDistance(one, site.values)]),
    },
  ];
}
