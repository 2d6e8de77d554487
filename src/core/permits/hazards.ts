import type { Energy, Medium } from '../plant';
import type { PaperKind } from './papers';

/** Ranks of controls, the strongest first. Source: ISO 45001, 8.1.2 (from memory). */
export const RANKS = ['remove', 'replace', 'engineer', 'organise', 'protect'] as const;
export type Rank = (typeof RANKS)[number];

export interface Control {
  readonly rank: Rank;
  readonly control: string;
}

type MediumHazard = NonNullable<Medium['hazards']>[number];
type DoneThere = 'open' | 'enter' | 'hot-work' | 'touch';

/** What brings a hazard up. Any one of them is enough. */
interface Triggers {
  readonly always?: true;
  readonly media?: readonly MediumHazard[];
  /** Only where the line or vessel is opened or entered. */
  readonly opened?: true;
  readonly energies?: readonly Energy[];
  readonly activities?: readonly DoneThere[];
  readonly papers?: readonly PaperKind[];
  /** Words in the kind of equipment. */
  readonly equipment?: readonly string[];
  /** The area has a zone for explosive atmospheres. */
  readonly zoned?: true;
  /** Place of work at least so far above the ground, or below it (m). */
  readonly above_m?: number;
  readonly below?: true;
}

export interface Hazard {
  readonly name: string;
  readonly when: Triggers;
  readonly controls: readonly Control[];
  /** Protective equipment that it asks for. */
  readonly wear: readonly string[];
  /** What has to be arranged for an emergency. */
  readonly emergency: readonly string[];
  /** An open question for the briefing. */
  readonly ask: string;
}

const by = (rank: Rank, control: string): Control => ({ rank, control });

/**
 * Hazards of tasks in plant maintenance, by code, each with controls by rank. Source: common practice, written from memory; the
 * limit of 23 kg for lifting by one is that of the NIOSH lifting equation (Waters et al., 1993).
 */
export const HAZARDS = {
  'left-inside': {
    name: 'What is left in the line or vessel comes out',
    when: { opened: true },
    controls: [
      by('remove', 'let down, drained and proved empty before it is opened'),
      by('organise', 'loosened at the far side first, standing out of the way of what comes'),
      by('protect', 'visor and gloves until it is seen empty'),
    ],
    wear: ['visor', 'chemical gloves'],
    emergency: ['eyewash within 10 s of walking'],
    ask: 'Where do you stand when the first bolt comes loose, and why there?',
  },
  flammable: {
    name: 'Flammable gas or liquid',
    when: { media: ['flammable'] },
    controls: [
      by('remove', 'line purged until the gas test passes'),
      by('engineer', 'air moved across the opening'),
      by(
        'organise',
        'no ignition source within the site’s radius; gas tested before and while open',
      ),
    ],
    wear: ['flame-retardant clothing', 'personal gas alarm'],
    emergency: ['extinguisher at the place', 'way out known and free'],
    ask: 'What could light it here, and who watches for that?',
  },
  toxic: {
    name: 'Toxic gas',
    when: { media: ['toxic'] },
    controls: [
      by('remove', 'line purged until the gas test passes'),
      by('engineer', 'extraction at the opening'),
      by('organise', 'gas tested before and while open; work from upwind'),
      by('protect', 'breathing apparatus until the test passes'),
    ],
    wear: ['personal gas alarm', 'breathing apparatus'],
    emergency: [
      'rescue with breathing apparatus ready',
      'wind direction known, assembly point upwind',
    ],
    ask: 'Your alarm sounds: what do you do first?',
  },
  asphyxiant: {
    name: 'Too little oxygen',
    when: { media: ['asphyxiant'] },
    controls: [
      by('remove', 'source of the gas isolated and proved'),
      by('engineer', 'air moved through the place'),
      by('organise', 'oxygen tested before and while at work'),
    ],
    wear: ['personal gas alarm'],
    emergency: ['nobody goes after anyone who is down without breathing apparatus'],
    ask: 'Someone lies still in there: who goes in, and with what?',
  },
  corrosive: {
    name: 'Corrosive liquid',
    when: { media: ['corrosive'] },
    controls: [
      by('remove', 'flushed with water until neutral'),
      by('organise', 'drained into a closed system'),
      by('protect', 'chemical suit, visor and gloves while it is opened'),
    ],
    wear: ['visor', 'chemical gloves', 'chemical suit'],
    emergency: ['eyewash and shower tried before the start'],
    ask: 'Where is the eyewash, and did you try it?',
  },
  hot: {
    name: 'Hot surface, steam or hot liquid',
    when: { media: ['hot'], activities: ['hot-work'] },
    controls: [
      by('remove', 'cooled to below 40 °C and measured'),
      by('engineer', 'hot neighbours screened'),
      by('protect', 'heat-resistant gloves'),
    ],
    wear: ['heat-resistant gloves'],
    emergency: ['cold running water for burns near by'],
    ask: 'Which parts beside you are still hot?',
  },
  cold: {
    name: 'Very cold liquid or surface',
    when: { media: ['cold'] },
    controls: [by('remove', 'let warm up'), by('protect', 'cold-resistant gloves and visor')],
    wear: ['cold-resistant gloves', 'visor'],
    emergency: ['lukewarm water for cold burns near by'],
    ask: 'What happens to your skin when it touches this?',
  },
  oxidising: {
    name: 'Oxygen or another oxidising substance',
    when: { media: ['oxidising'] },
    controls: [
      by('remove', 'purged with air'),
      by('organise', 'no oil or grease on tools, hands and parts'),
    ],
    wear: ['clean cotton or flame-retardant clothing'],
    emergency: ['extinguisher at the place'],
    ask: 'Which of your tools has grease on it?',
  },
  trapped: {
    name: 'Trapping and crushing by parts that move or fall',
    when: {
      energies: ['mechanical', 'gravity'],
      equipment: [
        'press',
        'screw',
        'macerator',
        'stirrer',
        'engine',
        'blower',
        'pump',
        'compressor',
      ],
    },
    controls: [
      by('remove', 'drive isolated and tried; raised parts let down or pinned'),
      by('engineer', 'moved by hand only with a tool made for it'),
      by('organise', 'one person says when a part is moved'),
    ],
    wear: ['safety shoes', 'mechanical gloves'],
    emergency: ['means to free someone who is trapped at hand'],
    ask: 'Which part can still turn or fall by its own weight?',
  },
  shock: {
    name: 'Electric shock and arc',
    when: { energies: ['electrical'], papers: ['electrical'] },
    controls: [
      by('remove', 'isolated and proved dead on every pair'),
      by('engineer', 'live neighbours screened'),
      by('protect', 'arc-rated clothing while it is proved'),
    ],
    wear: ['arc-rated clothing', 'insulating gloves'],
    emergency: ['someone trained in resuscitation near by', 'switch for the whole board known'],
    ask: 'What in this cubicle is still live?',
  },
  pressure: {
    name: 'Stored pressure',
    when: { energies: ['pressure'], papers: ['pressure-test'] },
    controls: [
      by('remove', 'let down and seen at zero on a working gauge'),
      by('organise', 'nobody in line with plugs, flanges and hose ends'),
    ],
    wear: ['safety glasses'],
    emergency: ['barrier and a clear way out'],
    ask: 'Where would it go if it let go?',
  },
  lifting: {
    name: 'Heavy parts handled by hand',
    when: {
      activities: ['open', 'touch'],
      equipment: ['pump', 'valve', 'filter', 'blower', 'trap'],
    },
    controls: [
      by('engineer', 'hoist or lifting aid for what is over 23 kg'),
      by('organise', 'two for what is over 23 kg'),
    ],
    wear: ['safety shoes', 'mechanical gloves'],
    emergency: [],
    ask: 'What is the heaviest part, and who lifts it with what?',
  },
  'dropped-load': {
    name: 'A load falls or swings',
    when: { papers: ['lifting'] },
    controls: [
      by('engineer', 'lifting gear in date and rated for the load'),
      by('organise', 'one signaller; nobody under the load; ground marked off'),
    ],
    wear: ['helmet', 'safety shoes'],
    emergency: ['way to lower the load when the power fails'],
    ask: 'Who may give signals, and which one may everyone give?',
  },
  fall: {
    name: 'Falling from height',
    when: { papers: ['height'], above_m: 2 },
    controls: [
      by('remove', 'done from the ground'),
      by('engineer', 'scaffold or platform with guard rails, inspected'),
      by('protect', 'harness on an anchor, in date'),
    ],
    wear: ['helmet', 'harness'],
    emergency: ['plan and gear to fetch someone who hangs in a harness'],
    ask: 'You fall and hang: who fetches you, how, in how many minutes?',
  },
  'dropped-object': {
    name: 'Tools and parts fall on people below',
    when: { papers: ['height', 'lifting'], above_m: 2 },
    controls: [
      by('engineer', 'toe boards, nets, tools tied on'),
      by('organise', 'ground below marked off'),
    ],
    wear: ['helmet'],
    emergency: [],
    ask: 'Who may be underneath?',
  },
  confined: {
    name: 'Being overcome or trapped in a confined space',
    when: { activities: ['enter'], papers: ['confined-space'], below: true },
    controls: [
      by('remove', 'done from outside'),
      by('engineer', 'ventilated by a blower the whole time'),
      by('organise', 'atmosphere tested; attendant outside who does nothing else'),
      by('protect', 'harness and line to the retrieval device'),
    ],
    wear: ['personal gas alarm', 'harness'],
    emergency: ['retrieval device set up', 'rescue team told and standing by'],
    ask: 'The attendant calls you out: what have you to leave behind?',
  },
  sparks: {
    name: 'Fire by flame, sparks or heat',
    when: { activities: ['hot-work'], papers: ['hot-work'] },
    controls: [
      by('replace', 'done cold: bolted, clamped, sawn by hand'),
      by('remove', 'done in the workshop'),
      by('engineer', 'what can burn taken away or covered; drains and openings sealed'),
      by('organise', 'fire watch during and after'),
    ],
    wear: ['flame-retardant clothing', 'welding visor'],
    emergency: ['extinguisher and charged hose at the place', 'fire alarm point known'],
    ask: 'Where do sparks go that you do not see?',
  },
  zone: {
    name: 'Explosive atmosphere by a leak next door',
    when: { zoned: true },
    controls: [
      by('engineer', 'tools and lamps fit for the zone'),
      by('organise', 'telephones and other electrical things stay outside'),
    ],
    wear: ['personal gas alarm', 'antistatic shoes'],
    emergency: ['assembly point upwind'],
    ask: 'What do you carry that is not fit for the zone?',
  },
  services: {
    name: 'Buried cables and pipes struck',
    when: { papers: ['excavation'] },
    controls: [
      by('engineer', 'located by detector and trial holes by hand'),
      by('organise', 'drawings at the place; no machine within the marked strip'),
    ],
    wear: ['safety shoes', 'insulating gloves'],
    emergency: ['whom to call when a service is struck'],
    ask: 'What do you do when you meet something that is not on the drawing?',
  },
  collapse: {
    name: 'The side of a trench falls in',
    when: { papers: ['excavation'] },
    controls: [
      by('engineer', 'shored or sloped'),
      by('organise', 'spoil and vehicles kept from the edge; inspected each shift'),
    ],
    wear: ['helmet'],
    emergency: ['way out within 7.5 m (29 CFR 1926.651(c)(2): 25 ft)'],
    ask: 'What shows that the side begins to move?',
  },
  rays: {
    name: 'Ionising radiation',
    when: { papers: ['radiography'], energies: ['radiation'] },
    controls: [
      by('engineer', 'collimated and shielded; source locked when not in use'),
      by('organise', 'ground marked off and guarded; dose rate measured at the edge'),
    ],
    wear: ['personal dosimeter'],
    emergency: ['plan for a source that does not go back'],
    ask: 'The source does not go back: who does what?',
  },
  slips: {
    name: 'Slips, trips and sharp edges',
    when: { always: true },
    controls: [
      by('remove', 'spills cleaned up, hoses and leads out of the way'),
      by('organise', 'lit and tidy before the start'),
    ],
    wear: ['safety shoes'],
    emergency: ['first aid box and first aider known'],
    ask: 'What on the way there would you trip over?',
  },
} as const satisfies Readonly<Record<string, Hazard>>;

export type HazardCode = keyof typeof HAZARDS;
export const HAZARD_CODES = Object.keys(HAZARDS) as [HazardCode, ...HazardCode[]];

export const findHazard = (code: string): Hazard | undefined =>
  (HAZARDS as Readonly<Record<string, Hazard>>)[code];

/** The hazard in words: by its code, or as somebody wrote it. */
export const nameHazard = (hazard: string): string => findHazard(hazard)?.name ?? hazard;
