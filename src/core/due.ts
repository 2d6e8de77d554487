import type { SiteFacts } from './job';
import { findPressureDue } from './kit/kit';
import { hasLeft, ROLE_NAMES } from './people/people';

/** Something of the site that runs out: an authorisation, a contract, a test of an instrument, an earthing set or a piece of kit. */
export interface Due {
  /** Stable for one thing. */
  readonly id: string;
  readonly kind:
    'authorisation' | 'instrument' | 'earthing set' | 'kit' | 'pressure equipment' | 'contract';
  /** Whose or which it is, by id. */
  readonly of: string;
  /** Whose or which it is, and what of it. */
  readonly what: string;
  /** The last instant at which it counts (ISO 8601, UTC). */
  readonly until: string;
  readonly isOver: boolean;
  readonly href: string;
}

/** What runs out is named so many days ahead. Source: practice. */
export const DUE_DAYS = 60;
const DAY_MS = 86_400_000;

/**
 * What has run out and what will within so many days, the soonest first. Of several authorisations of one person in one role the last counts; who has
 * left has none.
 */
export function listDue(
  {
    people,
    instruments,
    earths,
    kit = [],
    pressure = [],
    values,
    employers = [],
  }: Pick<
    SiteFacts,
    'people' | 'instruments' | 'earths' | 'kit' | 'pressure' | 'employers' | 'values'
  >,
  now: string,
  days: number,
): Due[] {
  const at = Date.parse(now);
  const authorisations = [...people.values()]
    .filter((person) => !hasLeft(person, now))
    .flatMap(({ id, name, authorisations: all }) => {
      const last = new Map<string, { until: string; what: string }>();
      for (const { role, until } of all) {
        const known = last.get(role);
        if (!known || known.until < until)
          last.set(role, { until, what: `${name} as ${ROLE_NAMES[role]}` });
      }
      return [...last].map(([role, one]) => ({
        ...one,
        id: `${id}-${role}`,
        of: id,
        kind: 'authorisation' as const,
        href: `/people?person=${id}`,
      }));
    });
  const tests = [
    ...[...instruments.values()].map((one) => ({ ...one, kind: 'instrument' as const })),
    ...[...earths.values()].map((one) => ({ ...one, kind: 'earthing set' as const })),
    // Of kit only some is tested.
    ...kit.flatMap(({ id, name, testedUntil }) =>
      testedUntil === undefined ? [] : [{ id, name, testedUntil, kind: 'kit' as const }],
    ),
  ].map(({ id, name, testedUntil, kind }) => ({
    id,
    of: id,
    kind,
    what: `test of ${id} ${name}`,
    until: testedUntil,
    href: '/registers',
  }));
  const contracts = employers.flatMap(({ id, name, contractUntil }) =>
    contractUntil === undefined
      ? []
      : [
          {
            id: `contract-${id}`,
            of: id,
            kind: 'contract' as const,
            what: `contract of ${name}`,
            until: contractUntil,
            href: '/registers#employers',
          },
        ],
  );
  const pressed = pressure.flatMap((row) => {
    const { id, name } = row;
    const { inspect, test } = findPressureDue(row, values);
    const about = { of: id, kind: 'pressure equipment' as const, href: '/registers#pressure' };
    return [
      ...(inspect
        ? [{ ...about, id: `${id}-inspect`, what: `inspection of ${id} ${name}`, until: inspect }]
        : []),
      ...(test
        ? [{ ...about, id: `${id}-test`, what: `pressure test of ${id} ${name}`, until: test }]
        : []),
    ];
  });
  return [...authorisations, ...tests, ...pressed, ...contracts]
    .map((one) => ({ ...one, isOver: Date.parse(one.until) < at }))
    .filter(({ until }) => Date.parse(until) < at + days * DAY_MS)
    .sort((a, b) => (a.until < b.until ? -1 : 1));
}
