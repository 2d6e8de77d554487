import { ensurePackages, runOrExit } from './setup.mjs';

ensurePackages();
runOrExit('npx', ['tsx', 'src/cli/demo.ts']);
runOrExit('npx', ['next', 'dev'], { LANTERN_DEMO: '1' });
