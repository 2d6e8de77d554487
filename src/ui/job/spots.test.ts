import { readdirSync, readFileSync } from 'node:fs';
import { RULES, type RuleCode } from '../../core/rules/book';
import { CLASH_RULES } from '../../core/rules/clashes';
import { CLEARED_AT, countIn } from './spots';

/** Where the gates stand that can hold a job up between its stages. */
const GATES = [
  'gates',
  'gates-permit',
  'gates-back',
  'stage',
  'bypasses',
  'inspection',
  'shared',
  'air',
  'entry',
  'hot-work',
  'briefing',
  'kit',
];

const read = (file: string) => readFileSync(file, 'utf8');
const gates = GATES.map((name) => read(`src/core/job/${name}.ts`)).join('\n');
const screens = readdirSync('src/ui', { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.tsx'))
  .map((file) => read(`src/ui/${file}`))
  .join('\n');

const codes = [
  ...new Set([...gates.matchAll(/refuse\(\s*'([a-z-]+)'/g)].map(([, code]) => code ?? '')),
  ...Object.keys(CLASH_RULES),
].filter((code): code is RuleCode => code in RULES);

describe('what holds a job up', () => {
  it.each(codes)('%s has a place where it is cleared', (code) => {
    expect(CLEARED_AT[code]).toBeDefined();
  });

  it.each([...new Set(Object.values(CLEARED_AT))])('the place %s is on a screen', (spot) => {
    expect(screens).toContain(`spot="${spot}"`);
  });

  it('is counted in the tab where it is cleared', () => {
    const holding = [
      { code: 'air-not-tested' },
      { code: 'air-unfit' },
      { code: 'not-issued' },
    ] as const;
    expect(countIn('air', holding)).toBe(2);
    expect(countIn('entry', holding)).toBe(0);
  });
});
