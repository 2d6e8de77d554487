import {
  hasLeft,
  type EarthingSet,
  type Instrument,
  type Person,
  type Role,
} from './people/people';
import type { SiteFacts } from './job';

/** A lock that hangs nowhere, as forms offer it. */
export interface OfferedLock {
  readonly id: string;
  readonly set: string;
  readonly use: string;
  readonly owner?: string;
}

/** What somebody may do, as forms ask for it, and the roles of which one is enough. */
const MAY = {
  worker: ['worker', 'performing-authority'],
  leads: ['performing-authority'],
  issues: ['issuing-authority'],
  watches: ['area-operator', 'isolating-process', 'isolating-mechanical', 'isolating-electrical'],
  standsBy: ['isolating-electrical', 'area-operator'],
  manager: ['site-manager'],
  fireWatch: ['fire-watch'],
  safety: ['auditor'],
  attendant: ['attendant'],
  operator: ['area-operator'],
} as const satisfies Readonly<Record<string, readonly Role[]>>;
type May = keyof typeof MAY;
const MAYS = Object.keys(MAY) as May[];

export type OfferedPerson = Pick<Person, 'id' | 'name' | 'employer'> &
  Readonly<Record<May, boolean>>;

/** Registers of the site as forms offer them. */
export interface SiteChoices {
  readonly locks: readonly OfferedLock[];
  readonly boxes: readonly { readonly id: string; readonly name: string; readonly busy: boolean }[];
  readonly instruments: readonly Instrument[];
  readonly earths: readonly EarthingSet[];
  readonly people: readonly OfferedPerson[];
}

/** The same on its way to a screen: a large site has ten thousands of locks, and few kinds of them. */
export interface PackedChoices extends Omit<SiteChoices, 'locks' | 'people'> {
  /** Free locks by kind: their numbers, parted by blanks. */
  readonly locks: readonly (Omit<OfferedLock, 'id'> & { readonly free: string })[];
  /** People as id, name, employer, and the places of what they may do. */
  readonly people: readonly (readonly [id: string, name: string, employer: string, may: string])[];
}

function packLocks(locks: SiteFacts['locks'], held: ReadonlySet<string>): PackedChoices['locks'] {
  const kinds = new Map<string, Omit<OfferedLock, 'id'> & { ids: string[] }>();
  for (const { id, set, use, owner } of locks.values()) {
    if (held.has(id)) continue;
    const key = JSON.stringify([set, use, owner]);
    const known = kinds.get(key);
    if (known) known.ids.push(id);
    else kinds.set(key, { set, use, ...(owner === undefined ? {} : { owner }), ids: [id] });
  }
  return [...kinds.values()].map(({ ids, ...kind }) => ({ ...kind, free: ids.join(' ') }));
}

/**
 * The registers of a site as forms offer them: what is free, and who is there and may do what by role. Whose authorisation has lapsed or does not count there
 * stays in the lists: the refusal says why.
 */
export function packChoices(
  site: Pick<SiteFacts, 'locks' | 'boxes' | 'instruments' | 'earths' | 'people'>,
  { held, now }: { readonly held: ReadonlySet<string>; readonly now: string },
): PackedChoices {
  return {
    locks: packLocks(site.locks, held),
    boxes: [...site.boxes.values()].map((box) => ({ ...box, busy: held.has(box.id) })),
    instruments: [...site.instruments.values()],
    earths: [...site.earths.values()],
    people: [...site.people.values()]
      .filter((person) => !hasLeft(person, now))
      .map(({ id, name, employer, authorisations }) => {
        const roles = new Set(authorisations.map(({ role }) => role));
        const may = MAYS.flatMap((one, n) => (MAY[one].some((role) => roles.has(role)) ? n : []));
        return [id, name, employer, may.join('')] as const;
      }),
  };
}

const unpacked = new WeakMap<PackedChoices, SiteChoices>();

/** Packed choices as forms read them; the same answer for the same choices. */
export function unpackChoices(packed: PackedChoices): SiteChoices {
  const before = unpacked.get(packed);
  if (before) return before;
  const choices: SiteChoices = {
    ...packed,
    locks: packed.locks.flatMap(({ free, ...kind }) =>
      free.split(' ').map((id) => ({ id, ...kind })),
    ),
    people: packed.people.map(([id, name, employer, may]) => {
      const held = Object.fromEntries(MAYS.map((one, n) => [one, may.includes(String(n))]));
      return { id, name, employer, ...(held as Record<May, boolean>) };
    }),
  };
  unpacked.set(packed, choices);
  return choices;
}
