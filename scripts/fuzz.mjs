import { spawnSync } from 'node:child_process';

/** What can be run long: which tests, and the setting that says how long. */
const LONG = {
  // Random plants and plans, read twice by rules that were written apart.
  truth: { file: 'src/core/isolation/check/second-reading', setting: 'LANTERN_TRUTHS' },
  // Random small plants, planned and compared with every subset.
  plans: { file: 'src/core/isolation/planner/plan.test', setting: 'LANTERN_SEEDS' },
  // Random plants and works, planned and compared with an integer programme.
  programme: { file: 'src/core/isolation/planner/programme', setting: 'LANTERN_PROGRAMMES' },
};

const [what = '', count = ''] = process.argv.slice(2);
const long = LONG[what];
if (!long || !/^[1-9]\d*$/.test(count)) {
  console.error(`Say what and how many: npm run fuzz -- ${Object.keys(LONG).join('|')} N`);
  process.exit(2);
}
const { status } = spawnSync('npx', ['jest', long.file, '--testTimeout', '86400000'], {
  stdio: 'inherit',
  env: { ...process.env, [long.setting]: count },
});
process.exit(status ?? 1);
