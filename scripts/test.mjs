import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { build, ensureChromium, ensurePackages } from './setup.mjs';

/** Runs one suite, keeps its report, and answers how many tests passed and failed. */
function runSuite(command, args, env, count) {
  const { status } = spawnSync(command, args, {
    stdio: 'inherit',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
  });
  try {
    return { status, ...count() };
  } catch {
    return { status: status ?? 1, passed: 0, failed: 1 };
  }
}

const readJson = (file) => JSON.parse(readFileSync(file, 'utf8'));

ensurePackages();
ensureChromium();
build();
rmSync('.cache/reports', { recursive: true, force: true });
mkdirSync('.cache/reports', { recursive: true });

const unit = runSuite(
  'npx',
  ['jest', '--json', '--outputFile=.cache/reports/unit.json'],
  {},
  () => {
    const { numPassedTests, numFailedTests, numFailedTestSuites } = readJson(
      '.cache/reports/unit.json',
    );
    return { passed: numPassedTests, failed: Math.max(numFailedTests, numFailedTestSuites) };
  },
);
const screens = runSuite(
  'npx',
  ['playwright', 'test', '--reporter=list,json'],
  { PLAYWRIGHT_JSON_OUTPUT_NAME: '.cache/reports/screens.json' },
  () => {
    const { stats } = readJson('.cache/reports/screens.json');
    return { passed: stats.expected, failed: stats.unexpected + stats.flaky };
  },
);
const failed = unit.failed + screens.failed;
console.log(`${unit.passed + screens.passed} passed, ${failed} failed`);
process.exit(failed > 0 || unit.status !== 0 || screens.status !== 0 ? 1 : 0);
