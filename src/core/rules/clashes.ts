import { rule, type Rule } from './rule';

/** A rule on two jobs in each other's way: every one is cleared by another hour, another order, a barrier or a name. */
const clash = (basis: string, barrier: string): Rule =>
  rule(
    'plan',
    (f) => `${f.words}.`,
    basis,
    (f) =>
      `Do one of them first, or move this job: free from ${f.from}. Or ${barrier}; or an issuing authority accepts it by name.`,
  );

/** Rules on jobs that are in each other's way by place, time or connection. */
export const CLASH_RULES = {
  'sparks-by-open-line': clash(
    'nothing flammable is open within 11 m of hot work (NFPA 51B; 29 CFR 1910.252(a)(2))',
    'shut, blank or purge the line before the first spark',
  ),
  'entry-while-let-down': clash(
    'nothing is let down or inerted into what is joined to an entered space (29 CFR 1910.146(d)(3); practice)',
    'put a blank between the two',
  ),
  'test-start-coupled': clash(
    'nothing is started that is coupled to where people work (29 CFR 1910.147(f)(1))',
    'take the coupling apart or pin it',
  ),
  'lift-over-crew': clash(
    'nobody works under or beside a lift (practice)',
    'screen or clear the ground',
  ),
  'rays-by-crew': clash(
    'nobody stays within the cordon of radiography (practice)',
    'shield it so that the dose rate at the other job is within the limit, and measure that',
  ),
  'pressure-test-by-crew': clash(
    'nobody stays within the stand-off of a pressure test (practice; ASME PCC-2, from memory)',
    'put a wall or barrier between that is made for it',
  ),
  'line-cleared-by-crew': clash(
    'nobody stays within the stand-off of a line under gas (practice; energy by ASME PCC-2, from memory)',
    'put a wall or barrier between that is made for it',
  ),
  'point-both-ways': clash(
    'a point cannot stand in two positions (energy model; 29 CFR 1910.147(f)(1))',
    'isolate the other job elsewhere',
  ),
} as const satisfies Record<string, Rule>;
