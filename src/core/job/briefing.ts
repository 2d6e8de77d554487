import { type Agenda, type LookCode, type Topic } from '../briefing/briefing';
import { hoursAfter } from '../hours';
import { findHazard, listTreated, nameHazard } from '../permits';
import { refuse, type Refusal } from '../rules/refuse';
import { isNear } from '../schedule';
import { findPlaceOf } from './clashes';
import { listPapers } from './papers';
import { siteOf, type OpenJob, type SiteFacts } from './site';
import { isHeld, type Dossier } from './state';

/** Asked at every briefing, whatever the hazards of the task are. */
const ALWAYS: readonly Topic[] = [
  {
    code: 'edges',
    name: 'Sharp edges',
    ask: 'Where is something sharp here, and what do you wear or cover against it?',
  },
  {
    code: 'beside',
    name: 'What else goes on here',
    ask: 'Who else works near you today, and what of theirs can reach you?',
  },
];

/** What a point of a briefing was about, in words. */
export const nameTopic = (topic: string): string =>
  ALWAYS.find(({ code }) => code === topic)?.name ?? nameHazard(topic);

/** What is looked at before the work, by its papers. */
function listLooks(papers: readonly string[]): LookCode[] {
  return [
    'tools',
    ...(papers.includes('height') ? ['ladders' as const] : []),
    ...(papers.includes('lifting') ? ['lifting-gear' as const, 'crane' as const] : []),
  ];
}

/** What the briefing of a job goes into: every hazard that was treated, and what is always asked. */
export function findAgenda(dossier: Dossier, site: SiteFacts): Agenda {
  const { permit } = dossier;
  const codes =
    permit.kind === 'draft' || permit.kind === 'cancelled'
      ? []
      : [...new Set(listTreated(permit.assessment).map(({ hazard }) => hazard))];
  const topics = codes.map((code): Topic => {
    return { code, name: nameHazard(code), ask: findHazard(code)?.ask ?? '' };
  });
  return {
    topics: [...topics, ...ALWAYS],
    looks: listLooks(listPapers(dossier, site)),
    hasLoads: codes.includes('lifting') || codes.includes('dropped-load'),
  };
}

const isSigned = ({ values }: SiteFacts) => values.briefing === 'signed';

const isOld = (at: string, { values }: SiteFacts, now: string) =>
  Date.parse(now) > Date.parse(hoursAfter(at, values['briefing-h']));

/** Whether a briefing can be held: once the hazards are assessed, until the work is handed back. */
export const canBrief = ({ permit }: Dossier): boolean =>
  permit.kind === 'assessed' || permit.kind === 'approved' || isHeld(permit);

/** What of the briefing keeps a permit from being issued. */
export function gateBriefing(dossier: Dossier, site: SiteFacts, now: string): Refusal[] {
  const { briefing, performer } = dossier;
  if (!isSigned(site) || !canBrief(dossier)) return [];
  if (!briefing) return [refuse('briefing-missing')];
  if (isOld(briefing.at, site, now)) {
    return [refuse('briefing-old', { at: briefing.at, hours: site.values['briefing-h'] })];
  }
  const person = site.people.get(performer)?.name ?? performer;
  return performer in briefing.heard ? [] : [refuse('leader-not-briefed', { person })];
}

/** Refuses somebody who has not heard the briefing of the day. */
export function requireBriefed(
  { briefing, permit }: Dossier,
  person: string,
  site: SiteFacts,
  now: string,
): Refusal[] {
  if (!isSigned(site) || !isHeld(permit)) return [];
  const heard = briefing?.heard[person];
  return heard && !isOld(heard.at, site, now)
    ? []
    : [refuse('not-briefed', { person: site.people.get(person)?.name ?? person })];
}

/** The briefing as the page of a job shows it. */
export interface BriefingView {
  /** Whether the site has it recorded and signed, or only said. */
  readonly isSigned: boolean;
  /** The hazards are assessed, so that it can be held. */
  readonly canBeHeld: boolean;
  readonly agenda: Agenda;
  /** It was held, and still counts. */
  readonly counts: boolean;
  /** Other jobs near by, at which somebody may be. */
  readonly beside: readonly { readonly id: string; readonly title: string }[];
  /** Who may sign on without being briefed any more. */
  readonly heard: readonly string[];
}

/** How near another job is talked about (m). Source: practice; the same hall. */
const NEAR_M = 30;

/** What the briefing of a job goes into, and whether it was held. */
export function viewBriefing(
  dossier: Dossier,
  site: SiteFacts,
  now: string,
  others: readonly OpenJob[],
  jobId: string,
): BriefingView {
  const { briefing } = dossier;
  const place = findPlaceOf(dossier, site);
  return {
    isSigned: isSigned(site),
    canBeHeld: canBrief(dossier),
    agenda: findAgenda(dossier, site),
    counts: gateBriefing(dossier, site, now).length === 0 && briefing !== undefined,
    beside: others
      .filter(
        (other) =>
          other.id !== jobId &&
          other.dossier.isolation.told !== undefined &&
          isNear(place, findPlaceOf(other.dossier, siteOf(other, site)), NEAR_M),
      )
      .map(({ id, dossier: { title } }) => ({ id, title })),
    heard: Object.keys(briefing?.heard ?? {}).filter(
      (person) => requireBriefed(dossier, person, site, now).length === 0,
    ),
  };
}
