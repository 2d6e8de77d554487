import { ALL_ROWS } from '../../../tests/support/refusal-rows';
import { refusalsOf } from '../../../tests/support/seal-change';
import { CLASH_CODES } from '../schedule';
import { explainIn, RULES, type RuleCode } from '../rules/book';
import { CHANGE_RULES } from '../rules/changes';
import { DEFECT_RULES } from '../rules/defects';
import { PROCEDURE_RULES } from '../rules/procedures';
import { HANDOVER_RULES } from '../rules/watching';

describe('refusals', () => {
  it.each([...ALL_ROWS])('%s', (...row) => {
    const [, state, actor, command, codes, more] = row;
    expect(refusalsOf(state(), actor, command, more)).toEqual(codes);
  });

  it('has a row that produces each code', () => {
    const produced = new Set<string>(
      ALL_ROWS.flatMap(([, , , , codes]) => (Array.isArray(codes) ? codes : [])),
    );
    // Matched loosely in its row, because a plan may break several rules at once; and given by the server, not the decider.
    const elsewhere = [
      'plan-stops',
      'fitting-not-covered',
      'key-reused',
      // Of other jobs than the seal change: earths, capacitors, two persons.
      'capacitor-charged',
      'not-shorted',
      'second-missing',
      'second-is-first',
      'earth-set-missing',
      'earth-in-use',
      'earth-end-first',
      'earth-order',
      'earth-lead-held',
      'earth-off-order',
      'stake-shallow',
      'round-order',
      // Of people and registers, not of a job: change.test.ts in core/people and core/registers.
      'grant-to-oneself',
      'grant-without-evidence',
      'grant-ends-before',
      'grant-area-unknown',
      // Of areas: whereabouts.test.ts.
      'authorised-elsewhere',
      'still-holds',
      'last-site-manager',
      'pin-code-unsigned',
      'pin-reset-alone',
      'register-in-use',
      'employer-lead-unknown',
      'pressure-not-drawn',
      'register-unknown',
      'lock-without-owner',
      'lock-has-owner',
      'earth-too-small',
      'earth-rating-unknown',
      'earths-not-counted',
      'earth-count-wrong',
      // Of a detector without a pump: gas.test.ts.
      'gas-no-pump',
      // Of a valve on which a let-down relies: see-open.test.ts.
      'way-not-seen',
      'way-not-locked',
      'way-stays-shut',
      'way-needs-words',
      // Of what a detector sends, not of a job: air-log.test.ts in server.
      'gas-clock-far',
      'gas-number-reused',
      'gas-malformed',
      // Of figures that cannot be: space.test.ts.
      'purge-impossible',
      'purge-fresh-unfit',
      // Of a job whose place is on an older drawing only: left-jobs.test.ts in server.
      'scope-gone',
      // Of the shift, not of a job: handover.test.ts in core/handover.
      ...Object.keys(HANDOVER_RULES),
      // Of defects, and of what they do to jobs: defects.test.ts in core/defects and in core/job.
      ...Object.keys(DEFECT_RULES),
      // Of changes of the plant, and of what they do to jobs: changes.test.ts in core/changes and in core/job.
      ...Object.keys(CHANGE_RULES),
      // Of written procedures: procedures.test.ts in core/procedures.
      ...Object.keys(PROCEDURE_RULES),
      // Of two jobs: clashes.test.ts.
      ...CLASH_CODES,
      // Of plants with other jobs or devices beside: shared.test.ts and standing.test.ts.
      'plans-contradict',
      'held-by-other',
      'held-by-nobody',
      'bypass-not-allowed',
      'bypass-over',
      'bypass-until-wrong',
      'device-unknown',
      'inspection-due',
      'nothing-hangs',
    ];
    const missing = Object.keys(RULES).filter((code) => !produced.has(code));
    expect(missing.filter((code) => !elsewhere.includes(code))).toEqual([]);
  });

  it('has words, a basis and a way to clear for every code', () => {
    for (const code of Object.keys(RULES) as RuleCode[]) {
      const { says, basis, clear } = explainIn('UTC')({ code, facts: {} });
      expect([code, says.length > 5, basis.length > 5, clear.length > 5]).toEqual([
        code,
        true,
        true,
        true,
      ]);
    }
  });
});
