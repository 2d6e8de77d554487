import { refuse, type Refusal } from '../rules/refuse';
import type { SiteValues } from '../rules/values';
import { adviseWeather, type Weather } from './weather';

/** What is looked at before the work, and who has done that. */
export const LOOKS = {
  tools: 'tools and leads',
  ladders: 'ladders and scaffolds',
  'lifting-gear': 'slings, hooks and other lifting gear',
  crane: 'crane, hoist or lifting truck',
} as const;
export type LookCode = keyof typeof LOOKS;
export const LOOK_CODES = Object.keys(LOOKS) as [LookCode, ...LookCode[]];

/** How a load is carried. */
export const LOAD_WAYS = {
  alone: 'by one',
  two: 'by two',
  gear: 'with lifting gear',
} as const;
export type LoadWay = keyof typeof LOAD_WAYS;
export const LOAD_WAY_CODES = Object.keys(LOAD_WAYS) as [LoadWay, ...LoadWay[]];

/** A hazard that was talked about: an open question to somebody by name, and what they answered. */
export interface BriefedPoint {
  /** Code of the hazard or of what is always asked, or the hazard in words. */
  readonly topic: string;
  readonly question: string;
  readonly of: string;
  readonly answer: string;
}

/** Most people who are at one. */
export const MOST_PRESENT = 60;

/** A briefing as it was held. */
export interface Briefing {
  /** Everybody who was there. */
  readonly present: readonly string[];
  readonly points: readonly BriefedPoint[];
  /** What was looked at, by whom, and what was seen; without a person there is none of it at this work. */
  readonly looked: readonly {
    readonly what: LookCode;
    readonly by?: string | undefined;
    readonly seen: string;
  }[];
  readonly loads: readonly {
    readonly what: string;
    readonly kg: number;
    readonly way: LoadWay;
  }[];
  readonly weather: Weather;
  /** What else goes on in the same hall or area. */
  readonly beside: string;
}

/** What a briefing has to go into. */
export interface Agenda {
  readonly topics: readonly Topic[];
  readonly looks: readonly LookCode[];
  /** A heavy part is handled: at least one load is named. */
  readonly hasLoads: boolean;
}

/** A hazard of the day, with the question to begin with. */
export interface Topic {
  readonly code: string;
  readonly name: string;
  readonly ask: string;
}

/** Words that a question which is answered by yes or no begins with. */
const CLOSED =
  /^(is|are|was|were|do|does|did|have|has|had|can|could|will|would|shall|should|may|might|must)\b/i;
/** Answers that say nothing of what was understood. */
const EMPTY_ANSWER = /^(yes|no|ok(ay)?|fine|sure|understood|clear|yep|nope|all right|-+)[.!]*$/i;

/** Refuses a question that is no open one, or an answer that says nothing. */
export function refusePoint({ question, answer }: Pick<BriefedPoint, 'question' | 'answer'>) {
  return [
    ...(CLOSED.test(question.trim()) ? [refuse('question-not-open', { question })] : []),
    ...(EMPTY_ANSWER.test(answer.trim()) ? [refuse('answer-says-nothing', { answer })] : []),
  ];
}

/** Refuses a load that is heavier than its way of carrying allows. Each of two is given no more than one may lift. */
function refuseLoads({ loads }: Briefing, values: SiteValues): Refusal[] {
  const alone = values['lift-one-kg'];
  const most = { alone, two: 2 * alone, gear: Infinity };
  return loads.flatMap(({ what, kg, way }) =>
    kg > most[way]
      ? [refuse('load-too-heavy', { what, kg, way: LOAD_WAYS[way], most: most[way] })]
      : [],
  );
}

/** Whose briefing it is. */
interface Led {
  /** Who asks, and records it. */
  readonly actor: string;
  /** Who leads the work. */
  readonly performer: string;
  readonly nameOf: (person: string) => string;
}

/** Refuses somebody who asks and is asked. */
export const refuseOneself = (
  asked: readonly string[],
  { actor, nameOf }: Pick<Led, 'actor' | 'nameOf'>,
): Refusal[] => (asked.includes(actor) ? [refuse('asks-oneself', { person: nameOf(actor) })] : []);

/** Everything that is wrong with a briefing, before those who were there sign. */
export function refuseBriefing(
  briefing: Briefing,
  agenda: Agenda,
  values: SiteValues,
  led: Led,
): Refusal[] {
  const { present, points, looked, loads, weather } = briefing;
  const { performer, nameOf } = led;
  const raised = new Set(points.map(({ topic }) => topic));
  const seen = new Set(looked.map(({ what }) => what));
  const absent = (person: string | undefined) =>
    person !== undefined && !present.includes(person)
      ? [refuse('not-at-briefing', { person: nameOf(person) })]
      : [];
  return [
    ...(present.includes(performer)
      ? []
      : [refuse('leader-not-briefed', { person: nameOf(performer) })]),
    ...refuseOneself(
      points.map(({ of }) => of),
      led,
    ),
    ...agenda.topics
      .filter(({ code }) => !raised.has(code))
      .map(({ name }) => refuse('hazard-not-briefed', { hazard: name })),
    ...points.flatMap((point) => [...refusePoint(point), ...absent(point.of)]),
    ...agenda.looks
      .filter((what) => !seen.has(what))
      .map((what) => refuse('briefing-not-looked', { what: LOOKS[what] })),
    ...looked.flatMap(({ by }) => absent(by)),
    ...(agenda.hasLoads && loads.length === 0 ? [refuse('load-unsaid')] : []),
    ...refuseLoads(briefing, values),
    ...adviseWeather(weather).refusals,
  ];
}
