import { Command, CommanderError } from 'commander';
import { BadFile } from './files';
import type { Answer } from './commands';

type Write = (text: string) => void;

/** Exit codes: 0 passes, 1 findings that stop (or a broken ledger), 2 bad input. */
export const EXIT = { passes: 0, stops: 1, badInput: 2 } as const;

function writeBadFile(error: BadFile, json: boolean, out: Write, err: Write): void {
  if (json) {
    out(`${JSON.stringify({ error: 'bad input', file: error.file, problems: error.problems })}\n`);
  }
  for (const { path, message } of error.problems) err(`${error.file}: ${path} ${message}\n`);
}

type Work = (
  args: string[],
  options: Readonly<Record<string, string>>,
  /** Told what is being done, while it goes on. */
  onStep: (what: string) => void,
) => Answer | Promise<Answer>;

/** What each command runs. Loaded when it is asked for: a trace need not wait for the database or the Bench. */
const WORK = {
  trace: async () => (await import('./commands')).runTrace,
  plan: async () => (await import('./commands')).runPlan,
  check: async () => (await import('./commands')).runCheck,
  explain: async () => (await import('./commands')).runExplain,
  sequence: async () => (await import('./commands')).runSequence,
  export: async () => (await import('./plant')).runExport,
  compare: async () => (await import('./plant')).runCompare,
  lint: async () => (await import('./plant')).runLint,
  stored: async () => (await import('./plant')).runStored,
  compute: async () => (await import('./plant')).runCompute,
  verify: async () => (await import('./ledger')).runVerify,
  rebuild: async () => (await import('./ledger')).runRebuild,
  backup: async () => (await import('./ledger')).runBackup,
  restore: async () => (await import('./ledger')).runRestore,
  rehearse: async () => (await import('./ledger')).runRehearse,
  'export-site': async () => (await import('./ledger')).runExportSite,
  'import-site': async () => (await import('./ledger')).runImportSite,
  'pin-code': async () => (await import('./ledger')).runPinCode,
  doctor: async () => (await import('./ledger')).runDoctor,
} satisfies Readonly<Record<string, () => Promise<Work>>>;

/** What takes longer than this (ms) says what it is at. */
const SILENT_MS = 1000;

/** Builds the command line; the answer runs it on an argument list and gives the exit code. */
export function buildProgram(out: Write, err: Write) {
  const program = new Command('lantern')
    .description('The Heavy Lantern core without a browser')
    .exitOverride()
    .configureOutput({ writeOut: out, writeErr: err });
  let code: number = EXIT.passes;

  const act =
    (name: keyof typeof WORK) =>
    async (...given: unknown[]): Promise<void> => {
      const command = given.at(-1) as Command;
      const json = command.opts<{ json?: boolean }>().json === true;
      try {
        const work: Work = await WORK[name]();
        const started = performance.now();
        const answer = await work(command.args, command.opts<Record<string, string>>(), (what) => {
          if (performance.now() - started > SILENT_MS) err(`${what}\n`);
        });
        out(json ? `${JSON.stringify(answer.document, null, 2)}\n` : answer.text);
        code = answer.passes ? EXIT.passes : EXIT.stops;
      } catch (error) {
        if (!(error instanceof BadFile)) throw error;
        writeBadFile(error, json, out, err);
        code = EXIT.badInput;
      }
    };

  const add = (
    under: Command,
    name: keyof typeof WORK,
    args: string,
    about: string,
    called: string = name,
  ) =>
    under
      .command(`${called} ${args}`)
      .description(about)
      .option('--json', 'print JSON')
      .action(act(name));
  const addJob = (name: keyof typeof WORK, args: string, about: string) =>
    add(program, name, args, about)
      .option('--rules <file>', 'rules that the site has set, as JSON by their code')
      .option(
        '--accept-relief <ids>',
        'relief valves whose loss is accepted by name, parted by commas',
      );
  addJob('trace', '<plant> <scope>', 'every source and store that can reach the work');
  addJob('plan', '<plant> <scope> [grades]', 'the best isolations by effort, outage and points');
  addJob('check', '<plant> <scope> <plan> [grades]', 'check a plan, however it was made');
  addJob(
    'explain',
    '<plant> <scope> <plan> [grades]',
    'why each point is there, and what one failure more would mean',
  );
  addJob('sequence', '<plant> <scope> <plan> [grades]', 'the order of work for a plan');
  const exporting = add(
    program,
    'export',
    '<plant> <target>',
    'write the plant as .json, .zip (CSV sheets) or .graphml',
  );
  add(
    exporting,
    'export-site',
    '<folder> [file]',
    'write the whole site as open files: JSON lines and CSV, with their digests',
    'site',
  ).option('--with-pins', 'the hashes of PINs as well: keep the folder as you keep the database');
  add(
    program.command('import').description('take in what was exported'),
    'import-site',
    '<folder> [file]',
    'take a whole site in from a folder, into a new database',
    'site',
  );
  add(program, 'compare', '<before> <after>', 'what changes from one plant file to another');
  const plant = program.command('plant').description('a plant file by itself');
  add(plant, 'lint', '<plant>', 'what the drawing leaves to doubt');
  add(program, 'stored', '<plant>', 'the energy of every store of a plant');
  add(
    program,
    'compute',
    '<calculation> [fields...]',
    'a calculation of the Bench, from field=figure with its unit',
  );
  const ledger = program.command('ledger').description('the record of everything that was done');
  add(
    ledger,
    'verify',
    '[file]',
    'look over everything that is kept: chain, signatures, heads, every table',
  )
    .option('--head <hash>', 'a head from a handover or a paper, which has to stand in the chain')
    .option(
      '--heads <file>',
      'heads that were sent out, one a line: each has to stand in the chain',
    );
  add(
    ledger,
    'rebuild',
    '[file]',
    'write what lists, registers and the search keep anew from the ledger',
  );
  add(
    program,
    'backup',
    '<to> [file]',
    'copy the database while it is in use, and verify the copy',
  );
  add(
    program,
    'restore',
    '<from> [file]',
    'put a backup into the place of the database, once it is verified',
  );
  add(
    program,
    'rehearse',
    '[file] [from]',
    'restore the newest backup (or another) into a second file and compare it; nothing is changed',
  );
  add(
    program,
    'pin-code',
    '<person> [file]',
    'a code for somebody whom nobody at the site can give one',
  );
  add(
    program,
    'doctor',
    '[file]',
    'look over what the running of a site rests on, and say what to do',
  ).option('--whole', 'verify the whole ledger too, which takes longer');

  return async (argv: readonly string[]): Promise<number> => {
    try {
      await program.parseAsync([...argv]);
    } catch (error) {
      if (!(error instanceof CommanderError)) throw error;
      return error.exitCode === 0 ? EXIT.passes : EXIT.badInput;
    }
    return code;
  };
}
