import { fixed, rule, type Rule } from './rule';

const ENERGY =
  'energy of compressed gas after ASME PCC-2, Article 501 (from memory); the most that one section holds is a site rule (practice)';
const STUCK = 'a stuck pig is let down from both sides and never forced (practice)';
const MESSAGE =
  'between people who do not see each other a message is sent, read back and noted before the next step (practice)';

/** Rules about lines that are cleared with gas, and about messages between people who do not see each other. */
export const CLEARING_RULES = {
  'clearing-profile': rule(
    'permit',
    (f) => `The profile of the line does not go on at ${f.at} m.`,
    'a line is described from one end to the other (practice)',
    'Give at least two points, each farther along than the one before.',
  ),
  'clearing-relief': rule(
    'permit',
    (f) => `The relief is set to ${f.relief} bar: ${f.why}.`,
    'what limits the pressure opens above what drives and below what the weakest part stands (practice)',
    (f) => `Set it between ${f.drive} and ${f.weakest} bar, or drive with less.`,
  ),
  'clearing-valley': rule(
    'permit',
    (f) =>
      `In the valley at ${f.at} m there can be ${f.bar} bar: the weakest part stands ${f.weakest}.`,
    'the column above a low point comes on top of what drives (hydrostatics)',
    'Drain the valley first, set the relief lower, or part the line there.',
  ),
  'clearing-lift': rule(
    'permit',
    (f) =>
      `It takes ${f.bar} bar to push what is in the line over the height behind a valley; ${f.drive} bar drive.`,
    'a column that is not lifted stands, and the pig with it (hydrostatics)',
    'Drain the valley, part the line at the height, or push from the other end.',
  ),
  'clearing-section': rule(
    'permit',
    (f) =>
      `From ${f.from} to ${f.to} m the gas would hold ${f.energy} kJ: the site allows ${f.most}.`,
    ENERGY,
    (f) => `Part the line at most ${f.metres} m apart there, set the relief lower, or use water.`,
  ),
  'clearing-alone': rule(
    'permit',
    (f) => `${f.person} cannot be at both ends.`,
    'somebody lets the gas in, and somebody else stands at the receiver (practice)',
    'Name two people.',
  ),
  'clearing-unplanned': rule(
    'work',
    fixed('Nobody has worked out how this line is cleared.'),
    ENERGY,
    'Plan it first: profile, pressures, who is where.',
  ),
  'clearing-not-theirs': rule(
    'work',
    (f) => `${f.person} does that.`,
    'who lets gas in and who stands at the receiver is planned by name (practice)',
    (f) => `${f.person} does it, or it is planned anew.`,
  ),
  'line-not-walked': rule(
    'work',
    fixed('Nobody has walked the line for sharp bends and crushed places.'),
    'what stops a pig is found before it is in there (practice)',
    'Walk it while it is without pressure, and record what was seen.',
  ),
  'line-under-pressure': rule(
    'work',
    (f) => `The line was not read to be without pressure: ${f.sides}.`,
    'people walk, open and part a line only without pressure, by readings on both sides of the pig (practice)',
    'Let it down, read both sides to zero, and record both.',
  ),
  'pig-under-way': rule(
    'work',
    fixed('A pig is in the line.'),
    'one pig at a time in one line (practice)',
    'See it arrive, or let it down from both sides and take it out.',
  ),
  'no-pig': rule('work', fixed('There is no pig under way.'), 'practice', 'Launch it first.'),
  'pig-outside': rule(
    'work',
    (f) => `${f.at} m is not between where it began and where it goes to: ${f.from} and ${f.to} m.`,
    'practice',
    'Say where along this section it was.',
  ),
  'pig-is-stuck': rule(
    'work',
    fixed('The pig is stuck.'),
    STUCK,
    'Close the gas. Let it down from both sides, read both, then free it.',
  ),
  'pig-not-stuck': rule('work', fixed('No pig is stuck.'), 'practice', 'Nothing is to be freed.'),
  'line-cleared': rule(
    'work',
    fixed('Every section of the line is cleared.'),
    'practice',
    'Plan it anew, if it has to be cleared once more.',
  ),
  'message-missing': rule(
    'work',
    (f) => `No message was read back right in the last ${f.minutes} min.`,
    MESSAGE,
    'Send it, have it read back, and note both.',
  ),
  'message-open': rule(
    'work',
    (f) => `Message ${f.number} was not read back right: ${f.said}`,
    MESSAGE,
    'Have it read back. If it was wrong, send it again.',
  ),
  'message-to-oneself': rule(
    'work',
    (f) => `${f.person} would send it to themselves.`,
    MESSAGE,
    'Name whoever is out of sight.',
  ),
  'message-unknown': rule(
    'work',
    (f) => `There is no message ${f.number} that waits to be read back.`,
    'practice',
    'Choose one that is open.',
  ),
  'message-not-theirs': rule(
    'work',
    (f) => `That message went from ${f.from} to ${f.to}.`,
    MESSAGE,
    'One of the two notes it.',
  ),
} as const satisfies Record<string, Rule>;
