import { buildProgram } from './program';

async function main(): Promise<void> {
  const run = buildProgram(
    (text) => process.stdout.write(text),
    (text) => process.stderr.write(text),
  );
  process.exitCode = await run(process.argv);
}

main().catch((error: unknown) => {
  process.stderr.write(
    `a fault of the program: ${error instanceof Error ? error.message : String(error)}\n`,
  );
  process.exitCode = 70;
});
