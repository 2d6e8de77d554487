import { z } from 'zod';
import { ACTIVITIES } from '../plant/schema';
import { RANKS } from '../permits/hazards';
import { PAPER_KINDS } from '../permits/papers';
import { QUESTION_CODES } from '../permits/screening';
import { REMAINS } from '../permits/assessment';
import { CLASH_ANSWERS, DUTY_KINDS } from './duties';
import { id, note, words } from './fields';

/** Sources that are run empty before anything is isolated. */
export const EMPTIED = z.array(id).max(50).optional();

/** The place of work: sections, and what is done to each. */
export const WORK = z
  .array(z.strictObject({ section: id, activity: z.enum(ACTIVITIES) }))
  .min(1)
  .max(50);

/** A worker's lock on the box; or, where each point is locked, their lock on each, by point. */
const OWN_LOCKS = { lock: id.optional(), each: z.record(id, id).optional() };

/** How long a job or a permit may be (h). */
const hours = z.number().gt(0).max(720);

const lines = z.array(words).max(40);

const treated = z.strictObject({
  hazard: words,
  controls: z.array(z.strictObject({ rank: z.enum(RANKS), control: words })).max(20),
  remains: z.enum(REMAINS),
  accepter: id.optional(),
  why: words.optional(),
});

/** Commands about papers, permits and who works under them. */
export const PERMIT_COMMANDS = [
  z.strictObject({
    kind: z.literal('screen-job'),
    answers: z.partialRecord(z.enum(QUESTION_CODES), z.enum(['yes', 'no'])),
    kinds: z.array(z.enum(PAPER_KINDS)).min(1).max(PAPER_KINDS.length),
    /** Why a proposed paper is left out, by its kind. */
    left: z.partialRecord(z.enum(PAPER_KINDS), words).default({}),
  }),
  z.strictObject({
    kind: z.literal('schedule-job'),
    from: z.iso.datetime(),
    until: z.iso.datetime(),
    /** The operator who agrees. */
    operator: id,
  }),
  /** A pressure test with gas is allowed by name. */
  z.strictObject({
    kind: z.literal('approve-gas-test'),
    /** Why water will not do. */
    why: words,
    /** Where everybody is while it stands under pressure, and how the pressure is raised and relieved. */
    stands: words,
  }),
  /** Whoever else operates points of the plan is asked to isolate and earth them. */
  z.strictObject({
    kind: z.literal('ask-clearance'),
    operator: words,
    /** Whom there, and how. */
    whom: words,
    /** What they are asked to isolate and earth. */
    what: words,
  }),
  /** They have said what they isolated and earthed, under which number and until when. */
  z.strictObject({
    kind: z.literal('take-clearance'),
    operator: words,
    number: id,
    person: words,
    isolates: words,
    earths: words,
    until: z.iso.datetime(),
  }),
  /** They get it back before they switch. */
  z.strictObject({
    kind: z.literal('return-clearance'),
    operator: words,
    /** Who there took it back. */
    person: words,
    /** What was seen: people out, earths off, locks off. */
    seen: words,
  }),
  /** Barriers and notices are set round the work. */
  z.strictObject({
    kind: z.literal('set-barriers'),
    /** Where they stand: from where to where. */
    where: words,
    /** What the notices say, and where they hang. */
    notices: words,
  }),
  /** The lead of a visiting firm tries and sees points of the isolation. */
  z.strictObject({
    kind: z.literal('see-points'),
    firm: id,
    points: z.array(id).min(1).max(200),
    /** How they were tried, and what was seen. */
    how: words,
  }),
  /** The lead of a visiting firm is shown between which points its people may work. */
  z.strictObject({ kind: z.literal('show-bounds'), firm: id, lead: id, words }),
  z.strictObject({ kind: z.literal('name-team'), people: z.array(id).min(1).max(60) }),
  z.strictObject({
    kind: z.literal('assess-task'),
    steps: z
      .array(z.strictObject({ step: words, hazards: z.array(treated).min(1).max(40) }))
      .min(1)
      .max(40),
    left: z.record(id, words).default({}),
    wear: lines,
    emergency: lines,
    questions: lines,
    takenFrom: id.optional(),
  }),
  z.strictObject({ kind: z.literal('approve-permit') }),
  z.strictObject({
    kind: z.literal('issue-permit'),
    /** For how long; as long as the site allows when it is not said. */
    hours: hours.optional(),
    briefed: z.boolean(),
    performer: id,
  }),
  z.strictObject({
    kind: z.literal('extend-permit'),
    hours,
    performer: id,
    /** What was tested again. */
    retested: words,
  }),
  z.strictObject({ kind: z.literal('revalidate-permit'), seen: words, performer: id }),
  z.strictObject({
    kind: z.literal('give-copy'),
    holder: words,
    /** The copy that this one stands for. */
    instead: z.int().min(1).optional(),
  }),
  z.strictObject({ kind: z.literal('stop-work'), reason: words }),
  z.strictObject({ kind: z.literal('lift-stop'), found: words }),
  z.strictObject({ kind: z.literal('cancel-permit'), reason: words }),
  z.strictObject({
    kind: z.literal('change-scope'),
    work: WORK,
    hours,
    /** As it was where it is not given. */
    emptied: EMPTIED,
    reason: words,
  }),
  z.strictObject({ kind: z.literal('take-over-names') }),
  z.strictObject({
    kind: z.literal('accept-clash'),
    rule: id,
    other: id,
    how: z.enum(CLASH_ANSWERS),
    measure: words,
  }),
  z.strictObject({
    kind: z.literal('take-duty'),
    person: id,
    duty: z.enum(DUTY_KINDS),
    /** What of the checks of the duty was seen to. */
    checked: z.array(id).max(20).default([]),
  }),
  z.strictObject({ kind: z.literal('leave-duty'), person: id }),
  z.strictObject({ kind: z.literal('share-fire-watch'), reason: words }),
  z.strictObject({
    kind: z.literal('sign-on'),
    person: id,
    crew: id.optional(),
    /** The number on the permit that they hold in their hand. */
    permit: id.optional(),
    /** Whether they make flame, sparks or heat. */
    sparks: z.boolean().optional(),
    ...OWN_LOCKS,
  }),
  z.strictObject({ kind: z.literal('sign-off'), person: id, ...OWN_LOCKS }),
  z.strictObject({
    kind: z.literal('hand-back'),
    cleared: z.boolean(),
    /** Whether the work is done; otherwise it goes on under another number. */
    finished: z.boolean(),
    /** Said when the work is finished and nobody was ever signed on: who did it, and why they were not signed on. */
    unsigned: z.strictObject({ who: words, reason: words }).optional(),
    remarks: note,
    /** Who watches for fire from now on, after hot work. */
    watcher: id.optional(),
    /** From where: a vessel is watched from its opening. */
    watchedFrom: z.enum(['beside', 'opening']).optional(),
  }),
  z.strictObject({ kind: z.literal('close-permit'), inspected: words }),
] as const;
