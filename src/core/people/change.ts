import { refuse, type Refusal } from '../rules/refuse';
import { findAuthorisation, ROLE_NAMES, type Authorisation, type Person } from './people';

/** What has to be known to change a person. */
export interface PersonContext {
  readonly actor: string;
  readonly now: string;
  /** Everybody of the site as they are. */
  readonly people: readonly Person[];
  /** The areas of the plant, by id. */
  readonly areas: ReadonlySet<string>;
  /** What the person still holds: locks that hang, permits they are signed on to, duties; in words. */
  readonly holds: readonly string[];
}

const keyOf = (one: Authorisation): string => JSON.stringify(Object.entries(one).sort());

/** Authorisations that are new. */
export const listGrants = (next: Person, before: Person | undefined): Authorisation[] => {
  const known = new Set((before?.authorisations ?? []).map(keyOf));
  return next.authorisations.filter((one) => !known.has(keyOf(one)));
};

function refuseGrant(one: Authorisation, next: Person, { now, areas }: PersonContext): Refusal[] {
  const facts = { person: next.name, role: ROLE_NAMES[one.role] };
  const isOver = Date.parse(one.until) <= Date.parse(now);
  const isBackwards = one.from !== undefined && Date.parse(one.from) >= Date.parse(one.until);
  return [
    ...(isOver || isBackwards
      ? [refuse('grant-ends-before', { ...facts, until: one.until.slice(0, 10) })]
      : []),
    ...(one.areas ?? [])
      .filter((area) => !areas.has(area))
      .map((area) => refuse('grant-area-unknown', { ...facts, area })),
    ...((one.evidence ?? '').trim() === '' ? [refuse('grant-without-evidence', facts)] : []),
  ];
}

/**
 * What keeps a person from being saved so: nobody grants themselves, every grant says on what evidence and ends later than now, who leaves
 * holds nothing any more, and somebody is left who may do all this.
 */
export function refusePerson(
  next: Person,
  before: Person | undefined,
  context: PersonContext,
): Refusal[] {
  const grants = listGrants(next, before);
  const leaves = next.leftAt !== undefined && before?.leftAt === undefined;
  const others = context.people.filter(({ id }) => id !== next.id);
  const isManager = (person: Person) =>
    findAuthorisation(person, 'site-manager', context.now) === 'held';
  const hasManager = [...others, next].some(isManager);
  const hadManager = context.people.some(isManager);
  return [
    ...(grants.length > 0 && context.actor === next.id
      ? [refuse('grant-to-oneself', { person: next.name })]
      : []),
    ...grants.flatMap((one) => refuseGrant(one, next, context)),
    ...(leaves && context.holds.length > 0
      ? [refuse('still-holds', { person: next.name, holds: context.holds.join('; ') })]
      : []),
    ...(hadManager && !hasManager ? [refuse('last-site-manager', { person: next.name })] : []),
  ];
}
