import { commandSchema } from '../../src/core/job';
import { STAGED_KINDS, STRENGTH_BY_KIND } from '../../src/core/plant';
import { countTestPairs, DEAD_LIMITS } from '../../src/core/proving';
import { explainIn, RULES, type RuleCode } from '../../src/core/rules/book';
import { PHASES } from '../../src/core/sequence';

/** Source: 29 CFR 1910.147; the wording of each paragraph is paraphrased from memory. */
const LOCKOUT: [paragraph: string, says: string, code: RuleCode][] = [
  ['(c)(9)', 'affected employees are told before lockout', 'not-told'],
  ['(d)(2)', 'orderly shutdown', 'not-stopped'],
  ['(d)(3)-(4)', 'isolating devices operated, locks affixed', 'locks-missing'],
  ['(d)(5)', 'stored energy relieved', 'not-let-down'],
  ['(d)(6)', 'isolation verified before work', 'not-proved'],
  ['(e)(1)', 'area cleared of tools and people', 'not-cleared'],
  ['(e)(3)', 'device removed by the employee who applied it', 'lock-not-yours'],
  ['(f)(3)', 'group lockout', 'box-not-locked'],
];

describe('29 CFR 1910.147', () => {
  it.each(LOCKOUT)('%s: %s', (paragraph, _says, code) => {
    expect(RULES[code].basis).toContain(`29 CFR 1910.147${paragraph}`);
  });

  it('(d): the order is prepare, shut down, isolate, relieve, verify', () => {
    const wanted = [
      'tell',
      'stop',
      'isolate-drives',
      'isolate-flows',
      'let-down',
      'prove',
      'try-start',
    ];
    expect(PHASES.filter((phase) => wanted.includes(phase))).toEqual(wanted);
  });

  it('(b): push buttons, selector switches and other control circuit devices are not isolating devices', () => {
    for (const kind of [
      'stop-button',
      'interlock-contact',
      'contactor',
      'drive-controller',
    ] as const) {
      expect(STRENGTH_BY_KIND[kind]).toBe(0);
    }
  });
});

describe('EN 50110-1, five rules (from memory)', () => {
  it('earths only after proving dead', () => {
    expect(PHASES.indexOf('earth')).toBeGreaterThan(PHASES.indexOf('prove'));
  });
});

describe('test pairs, n(n - 1)/2 with earth counted', () => {
  it.each([
    ['single phase and neutral', 3, 3],
    ['three phases', 4, 6],
    ['three phases and neutral', 5, 10],
  ])('%s: %d conductors, %d pairs', (_label, conductors, pairs) => {
    expect(countTestPairs(conductors)).toBe(pairs);
  });
});

describe('absent owner, 29 CFR 1910.147(e)(3)', () => {
  const whole = {
    kind: 'remove-absent-lock',
    lock: 'W-02',
    offSite: 'gate log',
    tried: 'telephone',
    manager: 'uma',
  };

  it('takes nothing off without (i) verification that the owner is not at the facility and (ii) efforts to contact', () => {
    expect(commandSchema.safeParse(whole).success).toBe(true);
    for (const field of ['offSite', 'tried', 'manager']) {
      expect(commandSchema.safeParse({ ...whole, [field]: ' ' }).success).toBe(false);
    }
  });

  it('has a rule of its own that (iii) the owner knows before resuming work', () => {
    const { basis } = explainIn('UTC')({ code: 'owner-not-told', facts: {} });
    expect(basis).toContain('29 CFR 1910.147(e)(3)(iii)');
  });
});

describe('common practice', () => {
  it('needs a valved isolation to fit what is bolted or disconnected, and none to withdraw a breaker or set a pin', () => {
    expect([...STAGED_KINDS].every((kind) => STRENGTH_BY_KIND[kind] === 2)).toBe(true);
    expect(STAGED_KINDS.has('withdrawn-breaker') || STAGED_KINDS.has('pin')).toBe(false);
  });

  it('keeps the dead-voltage limit below the touch voltage limit of 50 V (IEC 61140, from memory)', () => {
    expect(DEAD_LIMITS.voltage.most).toBeLessThan(50);
  });
});
