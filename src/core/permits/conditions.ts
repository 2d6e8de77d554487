import type { SiteValues } from '../rules/values';
import type { PaperKind } from './papers';

/** What each paper asks of whoever works under it, as it is printed on it. Source: the rule named with each; practice. */
export function listConditions(kind: PaperKind, values: SiteValues): readonly string[] {
  switch (kind) {
    case 'general':
      return [
        'Work only as described, only at the place named, only while the permit is valid.',
        'Anyone may stop the work. Only an issuing authority lets it go on.',
        'A changed scope is a new permit. A lapsed permit stops the work.',
      ];
    case 'line-breaking':
      return [
        'Loosen the far side first; stand where nothing that comes out can reach you.',
        'Treat the line as full and under pressure until it is seen empty.',
        'Open ends are blanked when nobody is at them.',
      ];
    case 'electrical':
      return [
        'Nothing is touched before it is proved dead, every pair, with the tester proved before and after (EN 50110-1).',
        'A test under power needs a sanction to test: everyone off, then everything proved again.',
      ];
    case 'hot-work':
      return [
        `What can burn is taken away or covered within ${values['hot-work-radius-m']} m; openings and drains are sealed (NFPA 51B).`,
        `A fire watch does nothing else, stays through breaks, and for ${values['tail-min']} min after the last spark${values['tail-checks-min'] > 0 ? `, then looks from time to time for ${values['tail-checks-min']} min` : ''}.`,
        `Gas is tested before the start, during the work and after each break; ${values['hot-lfl-most']} % LFL stops it.`,
        'Nothing that burns may breathe out within the circle: what is connected to it is blanked, or its opening sealed.',
      ];
    case 'confined-space':
      return [
        'Nobody enters before oxygen, flammables and toxics are tested, in this order (29 CFR 1910.146(d)(5)(iii)).',
        'Tested from outside, opened, guarded, purged to the end, tested again, entered; left empty, it is purged and tested anew.',
        `Those inside are called at least every ${values['call-every-min']} min; what goes in is counted out.`,
        'An attendant outside does nothing else, keeps the count and never goes in after anyone.',
        'An alarm empties the space. Nobody goes back before it is tested anew.',
      ];
    case 'height':
      return [
        'Platform and anchors are inspected before use; tools are tied on.',
        'Ground below is marked off; the way to fetch someone who hangs is ready.',
      ];
    case 'excavation':
      return [
        'Services are located and marked; within the marked strip it is dug by hand.',
        'Sides are shored or sloped; inspected each shift and after rain.',
      ];
    case 'lifting':
      return [
        'Gear is in date and rated for the load; one person signals; anyone may signal stop.',
        `Nobody is under the load or within ${values['lift-clear-m']} m beside the lift.`,
      ];
    case 'pressure-test':
      return [
        `Nobody is within ${values['pressure-test-clear-m']} m, or the stand-off worked out where that is longer.`,
        'Pressure is raised in steps and watched; nothing is tightened under pressure.',
      ];
    case 'radiography':
      return [
        `Nobody is within ${values['radiography-clear-m']} m, or the distance set by the radiation protection adviser.`,
        'The edge is marked, guarded and measured; the source is locked when not in use.',
      ];
  }
}
