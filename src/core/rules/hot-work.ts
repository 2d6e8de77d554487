import { fixed, rule, type Rule } from './rule';

const SURROUNDINGS = 'NFPA 51B and 29 CFR 1910.252(a)(2)(vii) to (xiii), from memory';
const WATCH = '29 CFR 1910.252(a)(2)(iii); NFPA 51B; the regime is the site’s';

/** Rules of hot work: its surroundings, what can breathe out, its monitors, its watch. */
export const HOT_WORK_RULES = {
  'no-hot-work': rule(
    'permit',
    fixed('The papers of this job name no hot work.'),
    'surroundings are looked at for hot work (site rule)',
    'Decide on the papers first.',
  ),
  'cold-not-asked': rule(
    'permit',
    fixed('Nobody has said whether this can be done cold, or elsewhere.'),
    'the first question of hot work (NFPA 51B; 29 CFR 1910.252(a)(2)(viii), from memory)',
    'Ask it and keep the answer.',
  ),
  'can-be-cold': rule(
    'permit',
    (f) => `It can be done ${f.how}: ${f.words}.`,
    'hot work is the last choice (NFPA 51B, from memory)',
    'Do it so, and take hot work off the papers; or answer again, with the reason why it cannot be.',
  ),
  'surroundings-open': rule(
    'permit',
    (f) => `Within ${f.radius} m and not dealt with: ${f.names}.`,
    SURROUNDINGS,
    'Have each removed, covered, sealed, closed or watched, and tick it by name.',
  ),
  'neighbour-unknown': rule(
    'permit',
    (f) => `${f.neighbour} is not within ${f.radius} m of this work.`,
    SURROUNDINGS,
    'Choose one of the list.',
  ),
  'neighbour-not-so': rule(
    'permit',
    (f) => `${f.name} is not made safe when it is ${f.way}.`,
    SURROUNDINGS,
    (f) => `It has to be ${f.ways}.`,
  ),
  'breathes-out': rule(
    'permit',
    (f) => `${f.body} can breathe out at ${f.opening}: ${f.route}.${f.more}`,
    'vessels that held flammables, and everything connected to them, by a gap or a blank (29 CFR 1910.252(a)(3)(i); API 2009, from memory)',
    (f) =>
      `${f.blank} Or have it blanked under a job of its own, or the opening itself sealed, and tick it.`,
  ),
  'blank-unsaid': rule(
    'permit',
    (f) => `It is not said where the blanks behind ${f.name} are.`,
    'a blank is at a place, fitted under an isolation (practice)',
    'Name the places, and the job under whose isolation they were fitted.',
  ),
  'blank-not-enough': rule(
    'permit',
    (f) => `With blanks at ${f.links} a path is still open: ${f.route}.`,
    'everything connected to it (29 CFR 1910.252(a)(3)(i), from memory)',
    'Blank this path as well.',
  ),
  'blank-not-held': rule(
    'permit',
    (f) => `${f.job} is no open job that works at ${f.links}.`,
    'fitting a blank is line breaking: it has its own isolation and permit (practice)',
    'Raise a job for it, isolate, fit the blank under its permit, and name that job.',
  ),
  'no-blanks': rule(
    'restore',
    fixed('No blanks are in behind it.'),
    'a step is recorded once (site rule)',
    'Go on with the next.',
  ),
  'blanks-in': rule(
    'restore',
    (f) => `Blanks of the hot work are still in: ${f.links}.`,
    'what was put in for a job comes out before it is closed (practice)',
    'Take them out under isolation and record it.',
  ),
  'monitors-few': rule(
    'permit',
    (f) =>
      `${f.have} monitors stand round the work; ${f.want} are needed, ${f.radius} m out, for this wind.`,
    'no gap wide enough to pass, warning enough to leave (geometry; spacing and times are the site’s)',
    'Place them and record it.',
  ),
  'monitor-unfit': rule(
    'permit',
    (f) => `${f.device} is no gas detector in date that shows flammables.`,
    'continuous monitoring on the boundary (practice)',
    'Take another.',
  ),
  'monitor-elsewhere': rule(
    'permit',
    (f) => `${f.device} stands at ${f.job}.`,
    'one device, one place (site rule)',
    'Take another, or end its use there.',
  ),
  'monitor-twice': rule(
    'permit',
    (f) => `${f.device} is named twice.`,
    'one device, one place (site rule)',
    'Name each once.',
  ),
  'duty-not-ready': rule(
    'work',
    (f) => `Not checked before taking the duty of ${f.duty}: ${f.missing}.`,
    '29 CFR 1910.252(a)(2)(iii)(B) and 1910.146(i), (k): equipped and trained before it begins',
    'Check each, and take the duty again.',
  ),
  'watch-inside': rule(
    'work',
    fixed('Nobody stays inside a vessel to watch: it is watched from the opening.'),
    'everyone out first; the watch looks in from outside (practice)',
    'Say that it is watched from the opening.',
  ),
  'no-tail': rule(
    'work',
    fixed('No watch for fire is running.'),
    WATCH,
    'It begins when the permit is handed back.',
  ),
  'not-on-watch': rule(
    'work',
    (f) => `The watch for fire is ${f.watcher}’s.`,
    'who is named answers for it (practice)',
    (f) => `${f.watcher} goes the round, or hands the watch over first.`,
  ),
  'tail-final-early': rule(
    'work',
    (f) => `The last look comes when the tail is over: in ${f.left} min.`,
    WATCH,
    'Go on with the rounds.',
  ),
  'tail-final-by': rule(
    'work',
    (f) => `${f.person} is no ${f.role}: the last look is theirs.`,
    WATCH,
    'Call them.',
  ),
  'tail-final-not-cold': rule(
    'work',
    fixed('It is not cold: the tail begins again.'),
    WATCH,
    'Record what was found as a round, and go on watching.',
  ),
  'tail-final-missing': rule(
    'work',
    fixed('Nobody has looked a last time since the tail ended.'),
    WATCH,
    'Make the last look and record it.',
  ),
  'watch-not-briefed': rule(
    'work',
    fixed('The fire watch does not know the place yet.'),
    '29 CFR 1910.252(a)(2)(iii)(B): the watch knows the alarm and has extinguishers at hand; ways out, telephone, eyewash and how many work there: practice',
    'Go through the place with the watch before the first spark, and record what is where.',
  ),
  'watch-still-unbroken': rule(
    'work',
    (f) => `The unbroken watch runs for another ${f.left} min.`,
    '29 CFR 1910.252(a)(2)(iii)(B): at least 30 min; NFPA 51B (2019 on), from memory: 60 min',
    'Watch until it is over.',
  ),
  'watch-end-untold': rule(
    'work',
    fixed('Nobody has told the control room that the unbroken watch is over.'),
    'operations go on looking, by name (practice); the permit stays at the place until the last look',
    'The watch tells the control room, and names who in operations took the checks over.',
  ),
} as const satisfies Record<string, Rule>;
