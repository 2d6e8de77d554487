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
  'cylinders-unsaid': rule(
    'permit',
    fixed('Nobody has said whether gas cylinders stand at the work.'),
    'cylinders stand off from sparks and flame (practice: 25 ft)',
    'Look, and record how they stand, or that there are none.',
  ),
  'cylinder-loose': rule(
    'permit',
    fixed('A gas cylinder is not upright and tied.'),
    '29 CFR 1910.253(b)(2)(ii), from memory; practice',
    'Stand it up and tie it to something that holds.',
  ),
  'cylinder-uncapped': rule(
    'permit',
    fixed('A gas cylinder that is not connected has no cap on.'),
    '29 CFR 1910.253(b)(2)(iv), from memory',
    'Put its cap on.',
  ),
  'oxygen-beside-fuel': rule(
    'permit',
    (f) => `Oxygen stands less than ${f.least} m from fuel gas, and there is no wall between.`,
    '29 CFR 1910.253(b)(4)(iii), from memory: 20 ft, or a wall of 5 ft that stands half an hour of fire',
    'Move one of them, or put up the wall.',
  ),
  'oxygen-oily': rule(
    'permit',
    fixed('Nobody has seen that oxygen is free of oil and grease.'),
    '29 CFR 1910.253(a)(2), from memory: oil and grease burn by themselves in oxygen',
    'Look at valve, regulator, hoses and gloves; clean them with what is made for oxygen.',
  ),
  'cylinder-near': rule(
    'permit',
    (f) => `Gas cylinders stand ${f.off} m from the cutting or welding: at least ${f.least} m.`,
    'practice: 25 ft, or the distance that the site has set',
    'Move them further off.',
  ),
  'cylinder-slung': rule(
    'permit',
    fixed('Nobody has said that the cylinders came on a trolley or in a cradle.'),
    '29 CFR 1926.350(a)(2), from memory: hoisted on a cradle or pallet, never by sling or magnet',
    'Set them down. Lift them in a cradle.',
  ),
  'cylinder-leaks': rule(
    'permit',
    (f) =>
      `A cylinder leaks, and is not outdoors, tagged and ${f.least} m from anything that could light it.`,
    'a leaking cylinder is taken outdoors and tagged (29 CFR 1926.350(a)(12), from memory; the distance is practice)',
    'Clear the place, take it outdoors, tag it, and keep everything off that could light it.',
  ),
  'pressure-repair-unwritten': rule(
    'permit',
    fixed('Something is repaired under pressure, and no clearance for that is written.'),
    'nothing under pressure is tightened, clamped or repaired without a written clearance (practice)',
    'The site manager clears it in writing; or let it down and answer no.',
  ),
  'pressure-repair-over': rule(
    'permit',
    (f) => `The clearance to repair under pressure ended ${f.until}.`,
    'nothing under pressure is tightened, clamped or repaired without a written clearance (practice)',
    'The site manager clears it anew, or it is let down.',
  ),
  'pressure-repair-unasked': rule(
    'permit',
    fixed('Nobody has said that anything here is repaired under pressure.'),
    'a clearance belongs to work that was asked for (practice)',
    'Answer that question with yes when the papers are decided.',
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
