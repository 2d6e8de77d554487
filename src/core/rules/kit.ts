import { fixed, rule, type Rule } from './rule';

const BEFORE_USE =
  'protective equipment is looked at before each use, and what is out of date or damaged is taken out (29 CFR 1910.335(a)(1)(ii) and 1910.137(c)(2), from memory)';
const PRESSURE =
  'pressure equipment is inspected at most 6 months apart where it is portable and 12 where it is fixed, unless the local code says otherwise (practice)';
const TESTED =
  'tested after repair, alteration, lay-up, relocation or wear, and at the latest every three years where the code asks (practice; the local code counts)';

/** Rules about what people work with and wear, and about pressure equipment. */
export const KIT_RULES = {
  'kit-unknown': rule(
    'permit',
    (f) => `${f.kit} is not in the register.`,
    BEFORE_USE,
    'Register it with its test date, or take one that is.',
  ),
  'kit-unsafe': rule(
    'permit',
    (f) => `${f.kit} is out of use: ${f.why}.`,
    BEFORE_USE,
    'Take another. It comes back into use once somebody has put it right and cleared that in the register.',
  ),
  'kit-undated': rule(
    'permit',
    (f) => `${f.kit} has no test date in the register.`,
    BEFORE_USE,
    'Have it tested, and write down until when that counts.',
  ),
  'kit-out-of-date': rule(
    'permit',
    (f) => `The test of ${f.kit} counted until ${f.until}.`,
    BEFORE_USE,
    'Take one that is in date.',
  ),
  'kit-underrated': rule(
    'isolate',
    (f) => `${f.kit} is rated for ${f.rated} V: here there can be ${f.volts}.`,
    'insulating kit is rated for the voltage that it meets (29 CFR 1910.137, from memory)',
    'Take kit that is rated for it.',
  ),
  'kit-no-air-test': rule(
    'permit',
    (f) => `${f.kit} was not blown up and listened to.`,
    '29 CFR 1910.137(c)(2)(ii), from memory: gloves get an air test before each use',
    'Blow it up, listen, look at it all round; then record it.',
  ),
  'kit-missing': rule(
    'permit',
    (f) => `Not looked at in the last ${f.hours} h: ${f.what} (${f.why}).`,
    BEFORE_USE,
    'Whoever uses it looks at it, and records which and what was seen.',
  ),
  'tester-probes': rule(
    'isolate',
    (f) => `${f.instrument}: ${f.what}.`,
    'probes guarded, at most 4 mm of bare tip, leads fused or current-limited (HSE GS38, from memory)',
    'Take a tester whose probes are so, and put that in the register.',
  ),
  'joint-unlashed': rule(
    'permit',
    (f) => `${f.joints} hose joints, and ${f.lashed} lashed.`,
    'each hose joint under pressure has a lashing, fixed apart from the coupling (practice)',
    'Lash each, to both hoses, and count again.',
  ),
  'joints-uncounted': rule(
    'permit',
    fixed('A hose is used, and nobody has counted its joints and lashings.'),
    'each hose joint under pressure has a lashing, fixed apart from the coupling, and they are counted on the permit (practice)',
    'Count joints and lashings, and record both.',
  ),
  'pressure-unsafe': rule(
    'permit',
    (f) => `${f.item} is tagged as unsafe: ${f.why}.`,
    'what is unsafe is tagged and not used until it is put right (practice)',
    'Put it right, have it inspected, and clear that in the register.',
  ),
  'pressure-inspect': rule(
    'permit',
    (f) => `The inspection of ${f.item} was due ${f.due}.`,
    PRESSURE,
    'Have it inspected, and write the day into the register.',
  ),
  'pressure-altered': rule(
    'permit',
    (f) => `${f.item} was ${f.what} on ${f.at}, and not tested since.`,
    TESTED,
    'Test it, and write the day into the register.',
  ),
  'pressure-test-due': rule(
    'permit',
    (f) => `The pressure test of ${f.item} was due ${f.due}.`,
    TESTED,
    'Test it, with water where that can be, and write the day into the register.',
  ),
  'pressure-certificate': rule(
    'permit',
    (f) => `${f.item} has no certificate in the register.`,
    'vessels, receivers and boilers have a certificate (practice; the local code says of whom)',
    'Write its number into the register.',
  ),
} as const satisfies Record<string, Rule>;
