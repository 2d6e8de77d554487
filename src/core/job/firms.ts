import { findFirm, type Employer } from '../people/employers';
import { refuse, type Refusal } from '../rules/refuse';
import { nameFew } from '../text';
import type { Mark } from './mark';
import type { SiteFacts } from './site';
import { isHeld, isNumbered, listOn, type Dossier } from './state';

/** The firm of somebody who comes from outside and does not work under the site's own rules of energy control; undefined for anybody else. */
export function findVisiting(
  { people, employers = [] }: Pick<SiteFacts, 'people' | 'employers'>,
  person: string,
): Employer | undefined {
  const known = people.get(person);
  const firm = known && findFirm(known, employers);
  return firm && firm.own !== true && firm.resident !== true ? firm : undefined;
}

/** What stands isolated, by id, and since when: what the round of another firm goes to. */
export function listStands({ isolation }: Dossier): ReadonlyMap<string, string> {
  const { locked, tagged, opened, restrained } = isolation;
  return new Map(
    [locked, tagged, opened, restrained].flatMap((held: Readonly<Record<string, Mark>>) =>
      Object.entries(held).map(([point, { at }]): [string, string] => [point, at]),
    ),
  );
}

/** Points that the lead of a firm has not seen since they were isolated. */
export function listUnseen(dossier: Dossier, firm: string): string[] {
  const { seen = {} } = dossier.rounds[firm] ?? {};
  return [...listStands(dossier)].flatMap(([point, since]) => {
    const at = seen[point]?.at;
    return at !== undefined && Date.parse(at) >= Date.parse(since) ? [] : [point];
  });
}

/** Whether the lead was shown the bounds of the permit that is out now. */
function areBoundsShown({ rounds, permit }: Dossier, firm: string): boolean {
  const at = rounds[firm]?.bounds?.at;
  if (at === undefined || !isNumbered(permit)) return false;
  return Date.parse(at) >= Date.parse(permit.issuedAt);
}

/** Whether somebody leads a crew, with its lock on the isolation. */
const leadsCrew = ({ permit }: Dossier, person: string): boolean =>
  isHeld(permit) && Object.values(permit.crews).some(({ lead }) => lead === person);

/**
 * What keeps somebody of a visiting firm from going on: its lead has not gone round the points, was not shown the bounds, or has no lock of their own
 * on the isolation. The lead themselves needs the first two.
 */
export function gateFirm(dossier: Dossier, person: string, site: SiteFacts): Refusal[] {
  const firm = findVisiting(site, person);
  if (!firm) return [];
  const { id, name: employer, lead } = firm;
  if (lead === undefined) return [refuse('firm-lead-missing', { employer })];
  const leader = site.people.get(lead)?.name ?? lead;
  const facts = { employer, lead: leader };
  const unseen = listUnseen(dossier, id);
  return [
    ...(unseen.length > 0
      ? [refuse('firm-points-unseen', { ...facts, points: nameFew(unseen) })]
      : []),
    ...(areBoundsShown(dossier, id) ? [] : [refuse('firm-bounds-unshown', facts)]),
    ...(person === lead || lead in listOn(dossier.permit) || leadsCrew(dossier, lead)
      ? []
      : [refuse('firm-lead-not-on', facts)]),
  ];
}

/** Refuses the lead of a firm to go off while people of theirs are on. */
export function gateLeadOff(dossier: Dossier, person: string, site: SiteFacts): Refusal[] {
  const firm = findVisiting(site, person);
  if (!firm || firm.lead !== person || leadsCrew(dossier, person)) return [];
  const others = Object.keys(listOn(dossier.permit)).filter(
    (one) => one !== person && findVisiting(site, one)?.id === firm.id,
  );
  const people = nameFew(others.map((one) => site.people.get(one)?.name ?? one));
  return others.length === 0
    ? []
    : [refuse('firm-lead-first-off', { employer: firm.name, people })];
}

/** "HV-2001, HV-2002, ...": between which points a crew may work, as the permit and the field page say it. */
export const sayBounds = (dossier: Dossier): string => {
  const points = [...listStands(dossier).keys()];
  const work = dossier.scope.work.map(({ section }) => section).join(', ');
  return points.length === 0
    ? `On ${work} alone. Nothing is isolated.`
    : `On ${work} alone, between ${points.join(', ')}. Work outside these points needs a permit of its own.`;
};

/** A visiting firm as the page of a job shows it. */
export interface FirmView {
  readonly id: string;
  readonly name: string;
  readonly lead?: string | undefined;
  readonly points: readonly { readonly id: string; readonly isSeen: boolean }[];
  readonly isShown: boolean;
  readonly on: number;
}

/** The visiting firms that a job may have at work, and how far the round of each is; none where the site has none. */
export function viewFirms(dossier: Dossier, site: SiteFacts): FirmView[] {
  if (!isHeld(dossier.permit)) return [];
  const points = [...listStands(dossier).keys()];
  const on = Object.keys(listOn(dossier.permit));
  return (site.employers ?? [])
    .filter(({ own, resident }) => own !== true && resident !== true)
    .map(({ id, name, lead }) => {
      const unseen = new Set(listUnseen(dossier, id));
      return {
        id,
        name,
        lead,
        points: points.map((point) => ({ id: point, isSeen: !unseen.has(point) })),
        isShown: areBoundsShown(dossier, id),
        on: on.filter((person) => findVisiting(site, person)?.id === id).length,
      };
    });
}
