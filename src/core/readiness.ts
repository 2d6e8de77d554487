import type { SiteFacts } from './job';
import { findAuthorisation, ROLE_NAMES, type Role } from './people/people';
import { nameFew } from './text';

/** One thing that a site needs before its first job, whether it is there, and where it is put right. */
export interface SetUpStep {
  readonly id: string;
  readonly title: string;
  readonly isDone: boolean;
  /** What is there, or what is missing. */
  readonly says: string;
  readonly href: string;
}

/** What is counted beside the facts of the site. */
export interface SiteCounts {
  readonly now: string;
  /** Who has set a PIN of their own. */
  readonly withPin: ReadonlySet<string>;
  readonly jobs: number;
  /** Rules were saved since the site was set up. */
  readonly hasOwnRules: boolean;
  /** What the backups come to, in words, and whether there is one that is not old; undefined where none are made. */
  readonly backups?: { readonly says: string; readonly isOld: boolean } | undefined;
}

/** Without these nobody can carry a job from its raising to its end. */
const NEEDED: readonly Role[] = [
  'site-manager',
  'coordinator',
  'issuing-authority',
  'performing-authority',
  'area-operator',
  'worker',
];

/** What a new site still needs, in the order in which it is put together. */
export function listSetUpSteps(
  site: Pick<SiteFacts, 'people' | 'graph' | 'locks' | 'boxes' | 'instruments'>,
  { now, withPin, jobs, hasOwnRules, backups }: SiteCounts,
): SetUpStep[] {
  const people = [...site.people.values()];
  const count = (role: Role) =>
    people.filter((person) => findAuthorisation(person, role, now) === 'held').length;
  const missing = NEEDED.filter((role) => count(role) === 0);
  const without = people.filter(({ id }) => !withPin.has(id));
  const { sections } = site.graph;
  const uses = (use: string) => [...site.locks.values()].filter((lock) => lock.use === use).length;
  const [points, control] = [uses('point'), uses('control')];
  const testers = [...site.instruments.values()].filter(
    ({ testedUntil }) => Date.parse(testedUntil) >= Date.parse(now),
  );
  const reads = new Set(testers.map((one) => one.reads));
  const unread = (['voltage', 'pressure'] as const).filter((one) => !reads.has(one));
  return [
    {
      id: 'plant',
      title: 'Plant',
      isDone: sections.length > 0,
      says:
        sections.length > 0
          ? `${sections.length} sections are drawn.`
          : 'Nothing is drawn. A coordinator loads a plant file or draws it.',
      href: '/plant',
    },
    {
      id: 'managers',
      title: 'A second site manager',
      isDone: count('site-manager') > 1,
      says:
        count('site-manager') > 1
          ? `${count('site-manager')} site managers are in force.`
          : 'One alone cannot be authorised as anything else, and no PIN can be reset.',
      href: '/people',
    },
    {
      id: 'people',
      title: 'People',
      isDone: missing.length === 0,
      says:
        missing.length === 0
          ? `${people.length} people; every role that a job needs is held.`
          : `Nobody is ${missing.map((role) => ROLE_NAMES[role]).join(', ')}.`,
      href: '/people',
    },
    {
      id: 'pins',
      title: 'PINs',
      isDone: without.length === 0,
      says:
        without.length === 0
          ? 'Everybody has set a PIN of their own.'
          : `No PIN yet: ${nameFew(without.map(({ name }) => name))}. Make each a code.`,
      href: '/people',
    },
    {
      id: 'locks',
      title: 'Locks',
      isDone: points > 0 && control > 0,
      says:
        points > 0 && control > 0
          ? `${points} for points, ${control} control locks.`
          : `${points} for points and ${control} control locks: both are needed.`,
      href: '/registers#locks',
    },
    {
      id: 'boxes',
      title: 'Lock boxes',
      isDone: site.boxes.size > 0,
      says: site.boxes.size > 0 ? `${site.boxes.size} to keep keys in.` : 'None to keep keys in.',
      href: '/registers#boxes',
    },
    {
      id: 'instruments',
      title: 'Instruments',
      isDone: unread.length === 0,
      says:
        unread.length === 0
          ? `${testers.length} in date.`
          : `None in date reads ${unread.join(' or ')}.`,
      href: '/registers#instruments',
    },
    {
      id: 'rules',
      title: 'Rules',
      isDone: hasOwnRules || jobs > 0,
      says: hasOwnRules
        ? 'The site has set rules of its own.'
        : 'The defaults count: the stricter practice where practice differs. Look through them.',
      href: '/rules',
    },
    ...(backups
      ? [
          {
            id: 'backup',
            title: 'Backup',
            isDone: !backups.isOld,
            says: backups.says,
            href: '/rules',
          },
        ]
      : []),
    {
      id: 'job',
      title: 'First job',
      isDone: jobs > 0,
      says: jobs > 0 ? `${jobs} jobs were raised.` : 'A coordinator raises it.',
      href: jobs > 0 ? '/jobs' : '/jobs/new',
    },
  ];
}
