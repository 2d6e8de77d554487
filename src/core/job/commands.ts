import { z } from 'zod';
import { GRADES } from '../plant/schema';
import { ARRANGEMENT_NAMES, SEEN } from '../proving';
import { AIR_COMMANDS } from './commands-air';
import { CLEARING_COMMANDS, SIGHTS } from './commands-clearing';
import { AUDIT_COMMANDS } from './commands-audit';
import { ENTRY_COMMANDS } from './commands-entry';
import { HOT_COMMANDS } from './commands-hot';
import { BRIEFING_COMMANDS } from './commands-briefing';
import { KIT_COMMANDS } from './commands-kit';
import { EMPTIED, PERMIT_COMMANDS, WORK } from './commands-permit';
import { RUN_UP_COMMANDS } from './commands-run-up';
import { id, note, words } from './fields';
import { ENDS } from './lineup-ends';
import { PHOTO_OF } from './photo-kinds';

export { CLASH_ANSWERS, DUTY_KINDS, READY_CHECKS } from './duties';

/** A gauge pressure (bar). */
const bar = z.number().gt(-1).max(2000);

/** What someone who walks a plan down finds at a point. */
export const LABEL_ANSWERS = ['as-drawn', 'label-differs', 'not-as-drawn'] as const;

/** What the earth end of a set is clamped to. */
export const EARTH_ENDS = ['point', 'stake'] as const;

/** How workers lock on: with one lock each on a box that holds the keys, or with a lock each on every point. */
export const LOCKOUT_WAYS = ['box', 'each-point'] as const;

/** How a valve was found on which a let-down relies, or what was done about it. */
export const WAY_ANSWERS = ['open', 'opened', 'stays-shut'] as const;

/** What can be wrong with a lock. */
export const LOCK_FINDINGS = ['key-lost', 'damaged'] as const;

/** A run under power with the permit live, or an inch or spot of a rotor before the last lock is on. */
export const TEST_KINDS = ['run', 'inch'] as const;

/** The code of a tag or point, scanned or typed where the step was done. */
const SCANNED = { scanned: words.optional() };

/** Said where a point stays as it is because another job needs it so. */
const LEFT = z.boolean().optional();

/** Everything that a person can do to a job. PINs never stand in a command: who signed is a fact given beside it. */
export const commandSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('raise-job'),
    title: words,
    equipment: id,
    work: WORK,
    hours: z.number().gt(0).max(720),
    emptied: EMPTIED,
    performer: id,
    /** The work order from outside that it is raised from. */
    workOrder: id.optional(),
  }),
  z.strictObject({
    kind: z.literal('draft-plan'),
    origin: z.enum(['effort', 'outage', 'points', 'own', 'template']),
    /** The job whose plan was taken as a template. */
    template: id.optional(),
    /** The written procedure that was taken over, by its number. */
    procedure: z.int().min(1).optional(),
    close: z.array(id).max(500),
    open: z.array(id).max(500),
    restrain: z.array(id).max(500),
    stand: z.array(id).max(500).optional(),
  }),
  z.strictObject({
    kind: z.literal('set-grade'),
    /** All sources of one arrival. */
    sources: z.array(id).min(1).max(200),
    grade: z.enum(GRADES),
    reason: note,
    measures: z.array(words).max(20).default([]),
  }),
  z.strictObject({
    kind: z.literal('submit-plan'),
    /** Said when no source reaches the work on the drawing: someone has looked at the plant itself. */
    drawingChecked: z.boolean().default(false),
  }),
  z.strictObject({ kind: z.literal('return-plan'), note: words }),
  z.strictObject({ kind: z.literal('accept-plan'), note }),
  z.strictObject({
    kind: z.literal('check-label'),
    point: id,
    ...SCANNED,
    found: z.enum(LABEL_ANSWERS),
    note,
  }),
  z.strictObject({
    kind: z.literal('note-calculation'),
    calculation: id,
    /** What it is about: an outlet, store or section of the plant. */
    subject: id,
    /** Why it counts though it is shorter than the plant's own: signed for. */
    shorten: words.optional(),
    inputs: z.record(
      id,
      z.union([
        z.strictObject({ value: z.number(), unit: z.string().max(40) }),
        z.string().max(80),
      ]),
    ),
  }),
  z.strictObject({ kind: z.literal('tell-affected'), who: words }),
  z.strictObject({ kind: z.literal('stop-plant'), how: words }),
  z.strictObject({ kind: z.literal('lock-point'), link: id, lock: id, tag: id, ...SCANNED }),
  z.strictObject({
    kind: z.literal('see-open'),
    link: id,
    ...SCANNED,
    found: z.enum(WAY_ANSWERS),
    note,
  }),
  z.strictObject({
    kind: z.literal('open-outlet'),
    outlet: id,
    ...SCANNED,
    tag: id,
    /** Who stands by while a liquid is drained. */
    watcher: id.optional(),
    /** The set that an earth is put on with, its earth end first. */
    earth: z
      .strictObject({
        set: id,
        endFirst: z.boolean(),
        /** The lowest conductor before the higher ones, the nearest before the farther ones. */
        ordered: z.boolean().optional(),
        /** Nobody touched a lead while any clamp was on. */
        clear: z.boolean().optional(),
        /** What the earth end is clamped to; a stake where it is not said. */
        to: z.enum(EARTH_ENDS).optional(),
        /** How deep a stake stands. */
        stake_m: z.number().min(0).max(10).optional(),
      })
      .optional(),
    second: id.optional(),
  }),
  z.strictObject({ kind: z.literal('take-watch'), outlet: id, ...SCANNED }),
  z.strictObject({
    kind: z.literal('end-watch'),
    outlet: id,
    ...SCANNED,
    end: z.enum(['drained', 'stopped']),
    seen: words,
  }),
  z.strictObject({ kind: z.literal('restrain-store'), store: id, how: words, ...SCANNED }),
  z.strictObject({
    kind: z.literal('wait-out-store'),
    store: id,
    ...SCANNED,
    seen: words,
    /** For a capacitor: what is left on it (V), and whether its terminals are shorted and stay so. */
    volts: z.number().optional(),
    shorted: z.boolean().optional(),
  }),
  z.strictObject({
    kind: z.literal('prove'),
    proof: id,
    ...SCANNED,
    reading: z.number(),
    unit: z.enum(['V', 'bar', 'm', 'rpm', '°C']),
    instrument: id,
    seen: z.array(z.enum(SEEN)).max(SEEN.length).optional(),
    /** Of high voltage: the lowest conductor before the higher ones, the nearest before the farther ones. */
    ordered: z.boolean().optional(),
    /** Who stood by, where a second person is asked for. */
    second: id.optional(),
    /** Asked for when voltage is proved; the highest pair is then the reading. */
    round: z
      .strictObject({
        arrangement: z.enum(ARRANGEMENT_NAMES),
        source: words,
        source_v: z.number().gt(0).max(1_000_000),
        before_v: z.number(),
        after_v: z.number(),
        readings: z.record(z.string().max(10), z.number()),
      })
      .optional(),
  }),
  z.strictObject({ kind: z.literal('try-start'), station: id, moved: z.boolean(), ...SCANNED }),
  z.strictObject({ kind: z.literal('choose-lockout'), way: z.enum(LOCKOUT_WAYS) }),
  z.strictObject({ kind: z.literal('chain-hasp'), where: id }),
  z.strictObject({ kind: z.literal('lock-box'), box: id, lock: id }),
  z.strictObject({ kind: z.literal('hang-incoming'), lock: id }),
  z.strictObject({ kind: z.literal('take-off-control'), lock: id }),
  z.strictObject({ kind: z.literal('raise-alarm'), where: id, seen: words }),
  z.strictObject({
    kind: z.literal('add-photo'),
    /** The SHA-256 of the picture's bytes, which are sent before. */
    digest: z.string().regex(/^[0-9a-f]{64}$/),
    of: z.enum(PHOTO_OF),
    subject: id.optional(),
    words: note,
  }),
  z.strictObject({ kind: z.literal('clear-alarm'), found: words }),
  z.strictObject({
    kind: z.literal('report-lock'),
    lock: id,
    finding: z.enum(LOCK_FINDINGS),
    seen: words,
  }),
  z.strictObject({ kind: z.literal('replace-lock'), link: id, lock: id, how: words }),
  z.strictObject({ kind: z.literal('renew-lock'), lock: id, done: words }),
  z.strictObject({
    kind: z.literal('tag-point'),
    link: id,
    ...SCANNED,
    tag: id,
    /** Why no lock can be fitted. */
    reason: words,
    /** What keeps the point shut besides. */
    measure: words,
    accepter: id,
  }),
  z.strictObject({
    kind: z.literal('sanction-test'),
    what: z.enum(TEST_KINDS),
    purpose: words,
    points: z.array(id).min(1).max(100),
    /** Whether the place was seen clear of people and tools. */
    clear: z.boolean(),
    performer: id,
  }),
  z.strictObject({ kind: z.literal('lift-for-test'), point: id }),
  z.strictObject({
    kind: z.literal('run-test'),
    ran: z.boolean(),
    sight: z.enum(SIGHTS).optional(),
    seen: words,
  }),
  z.strictObject({
    kind: z.literal('hang-crew-lock'),
    crew: id,
    lead: id,
    lock: id,
    /** What the lead saw of the isolation before hanging the lock. */
    verified: words,
  }),
  z.strictObject({ kind: z.literal('take-off-crew-lock'), crew: id, lead: id, lock: id }),
  z.strictObject({
    kind: z.literal('remove-absent-lock'),
    lock: id,
    /** How it was made sure that the owner is not on site. */
    offSite: words,
    /** What was done to reach them. */
    tried: words,
    manager: id,
  }),
  z.strictObject({ kind: z.literal('tell-absent-owner'), owner: id, told: words }),
  z.strictObject({ kind: z.literal('open-box') }),
  z.strictObject({ kind: z.literal('free-store'), store: id, left: LEFT, ...SCANNED }),
  z.strictObject({
    kind: z.literal('close-outlet'),
    outlet: id,
    left: LEFT,
    /** How an earth came off: the conductors before the earth end, in the reverse order, nobody touching a lead. */
    off: z.strictObject({ reversed: z.boolean(), clear: z.boolean() }).optional(),
    ...SCANNED,
  }),
  z.strictObject({ kind: z.literal('count-earths'), counted: z.int().min(0).max(100) }),
  z.strictObject({ kind: z.literal('unlock-point'), link: id, ...SCANNED }),
  z.strictObject({
    kind: z.literal('walk-lineup'),
    point: id,
    ...SCANNED,
    found: z.enum(['open', 'closed']),
    /** What is at its free end, where it has one. */
    end: z.enum(ENDS).optional(),
    note: note.optional(),
  }),
  z.strictObject({
    kind: z.literal('leak-test'),
    section: id,
    ...SCANNED,
    fluid: z.enum(['liquid', 'gas']),
    from_bar: bar,
    to_bar: bar,
    minutes: z.number().gt(0).max(1440),
    resolution_bar: z.number().gt(0).max(100),
    /** Something was seen, heard or soaped to come out. */
    weeps: z.boolean(),
    seen: words,
    /** Who accepts that it is tested with gas. */
    accepter: id.optional(),
  }),
  z.strictObject({
    kind: z.literal('see-start'),
    /** Who was told before it was started. */
    told: words,
    /** Everyone was seen to keep clear. */
    clear: z.boolean(),
    /** Whether whoever starts it sees everybody; where that is not said, they do not. */
    sight: z.enum(SIGHTS).optional(),
    /** Started and seen to run; or left to stand, ready. */
    ran: z.boolean(),
    seen: words,
  }),
  z.strictObject({ kind: z.literal('take-back'), told: words }),
  z.strictObject({
    kind: z.literal('allow-bypass'),
    device: id,
    until: z.iso.datetime(),
    /** What guards instead. */
    standsIn: words,
    reason: words,
  }),
  z.strictObject({ kind: z.literal('inspect-isolation'), seen: words }),
  z.strictObject({ kind: z.literal('close-job') }),
  ...PERMIT_COMMANDS,
  ...AUDIT_COMMANDS,
  ...AIR_COMMANDS,
  ...HOT_COMMANDS,
  ...ENTRY_COMMANDS,
  ...RUN_UP_COMMANDS,
  ...CLEARING_COMMANDS,
  ...KIT_COMMANDS,
  ...BRIEFING_COMMANDS,
]);

export type Command = z.infer<typeof commandSchema>;
export type CommandKind = Command['kind'];
export type CommandOf<Kind extends CommandKind> = Extract<Command, { kind: Kind }>;
