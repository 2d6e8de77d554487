import { fixed, rule, type Rule } from './rule';

const ASKED = 'a crew that answers in its own words has understood (practice)';
const LIFTING = '23 kg is the most that one may lift by the NIOSH equation (Waters et al., 1993)';
const WEATHER =
  'work and rest in the heat by NIOSH 2017-127, and in the cold by the ACGIH TLV (both from memory)';

/** Rules about the briefing before the work. */
export const BRIEFING_RULES = {
  'briefing-missing': rule(
    'permit',
    fixed('The briefing has not been held.'),
    'briefed at issue (practice)',
    'Hold the briefing with everybody who works, and record what was asked and answered.',
  ),
  'briefing-old': rule(
    'permit',
    (f) => `The briefing was held ${f.at}: that was more than ${f.hours} h ago.`,
    'hazards of the day are talked about that day (practice)',
    'Hold the briefing again.',
  ),
  'leader-not-briefed': rule(
    'permit',
    (f) => `${f.person} leads the work and was not at the briefing.`,
    'whoever leads the work briefs the crew (practice)',
    'Hold the briefing again, with whoever leads.',
  ),
  'not-briefed': rule(
    'work',
    (f) => `${f.person} was not at the briefing.`,
    'who comes later is briefed before signing on (practice)',
    (f) => `Ask ${f.person} one of the questions of the briefing, and record the answer.`,
  ),
  'hazard-not-briefed': rule(
    'permit',
    (f) => `Not talked about at the briefing: ${f.hazard}.`,
    'hazards are gone through one by one (practice)',
    'Ask somebody an open question about it, and write down what they answer.',
  ),
  'question-not-open': rule(
    'permit',
    (f) => `"${f.question}" can be answered by yes or no.`,
    ASKED,
    'Begin with what, where, who, how or why.',
  ),
  'answer-says-nothing': rule(
    'permit',
    (f) => `"${f.answer}" does not show what was understood.`,
    ASKED,
    'Write down what they said.',
  ),
  'not-at-briefing': rule(
    'permit',
    (f) => `${f.person} is named in the briefing and was not there.`,
    'only who is there can be asked, and signs (practice)',
    'Name somebody who is there, or add them to those present.',
  ),
  'asks-oneself': rule(
    'permit',
    (f) => `${f.person} is named both as asking and as answering.`,
    ASKED,
    'Somebody else asks, or somebody else is asked.',
  ),
  'briefer-not-briefed': rule(
    'work',
    (f) => `${f.person} was not at the briefing, and cannot pass it on.`,
    'who briefs somebody has heard it themselves (practice)',
    'Somebody who was there does it, or the briefing is held again.',
  ),
  'briefing-not-looked': rule(
    'permit',
    (f) => `Nobody has said who looked at ${f.what}.`,
    'what is used is looked at before use, by name (practice)',
    'Name who looked and what was seen, or say that none is used.',
  ),
  'load-unsaid': rule(
    'permit',
    fixed('Heavy parts are handled, and no load is named.'),
    LIFTING,
    'Name the heaviest part, what it weighs, and how it is carried.',
  ),
  'load-too-heavy': rule(
    'permit',
    (f) => `${f.what} weighs ${f.kg} kg: ${f.way} at most ${f.most} kg.`,
    LIFTING,
    'Carry it by two, or use lifting gear.',
  ),
  'briefing-humidity-unsaid': rule(
    'permit',
    (f) => `At ${f.air} °C it depends on the humidity how long people may work.`,
    WEATHER,
    'Read the humidity and give it.',
  ),
  'briefing-wind-unsaid': rule(
    'permit',
    (f) => `At ${f.air} °C it depends on the wind how cold it is.`,
    WEATHER,
    'Give the wind at the work; inside it is 0.',
  ),
  'briefing-too-hot': rule(
    'permit',
    (f) => `It feels like ${f.index} °C: no rest makes ${f.effort} work safe.`,
    WEATHER,
    'Wait until it is cooler, shade or cool the place, or do lighter work.',
  ),
  'briefing-too-cold': rule(
    'permit',
    (f) => `It feels like ${f.chill} °C: only what cannot wait is done.`,
    WEATHER,
    'Wait, or shelter and warm the place.',
  ),
} as const satisfies Record<string, Rule>;
