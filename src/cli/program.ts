import { Command, CommanderError } from 'commander';
import { BadFile } from './files';
import { runCompare, runCompute, runExport, runStored } from './plant';
import { runCheck, runExplain, runPlan, runSequence, runTrace, type Answer } from './commands';

type Write = (text: string) => void;

/** Exit codes: 0 passes, 1 findings that stop (or a broken ledger), 2 bad input. */
export const EXIT = { passes: 0, stops: 1, badInput: 2 } as const;

function writeBadFile(error: BadFile, json: boolean, out: Write, err: Write): void {
  if (json) {
    out(`${JSON.stringify({ error: 'bad input', file: error.file, problems: error.problems })}\n`);
  }
  for (const { path, message } of error.problems) err(`${error.file}: ${path} ${message}\n`);
}

/** Builds the command line; the answer runs it on an argument list and gives the exit code. */
export async function buildProgram(out: Write, err: Write) {
  const program = new Command('lantern')
    .description('The Heavy Lantern core without a browser')
    .exitOverride()
    .configureOutput({ writeOut: out, writeErr: err });
  let code: number = EXIT.passes;

  const act =
    (
      work: (args: string[], options: Readonly<Record<string, string>>) => Answer | Promise<Answer>,
    ) =>
    async (...given: unknown[]): Promise<void> => {
      const command = given.at(-1) as Command;
      const json = command.opts<{ json?: boolean }>().json === true;
      try {
        const answer = await work(command.args, command.opts<Record<string, string>>());
        out(json ? `${JSON.stringify(answer.document, null, 2)}\n` : answer.text);
        code = answer.passes ? EXIT.passes : EXIT.stops;
      } catch (error) {
        if (!(error instanceof BadFile)) throw error;
        writeBadFile(error, json, out, err);
        code = EXIT.badInput;
      }
    };

  const add = (name: string, args: string, about: string) =>
    program.command(`${name} ${args}`).description(about).option('--json', 'print JSON');
  add('trace', '<plant> <scope>', 'every source and store that can reach the work').action(
    act(runTrace),
  );
  add(
    'plan',
    '<plant> <scope> [grades]',
    'the best isolations by effort, outage and points',
  ).action(act(runPlan));
  add('check', '<plant> <scope> <plan> [grades]', 'check a plan, however it was made').action(
    act(runCheck),
  );
  add(
    'explain',
    '<plant> <scope> <plan> [grades]',
    'why each point is there, and what one failure more would mean',
  ).action(act(runExplain));
  add('sequence', '<plant> <scope> <plan> [grades]', 'the order of work for a plan').action(
    act(runSequence),
  );

  add(
    'export',
    '<plant> <target>',
    'write the plant as .json, .zip (CSV sheets) or .graphml',
  ).action(act(runExport));
  add('compare', '<before> <after>', 'what changes from one plant file to another').action(
    act(runCompare),
  );
  add('stored', '<plant>', 'the energy of every store of a plant').action(act(runStored));
  add(
    'compute',
    '<calculation> [fields...]',
    'a calculation of the Bench, from field=figure with its unit',
  ).action(act(runCompute));

  const { addLedgerCommands } = await import('./ledger');
  addLedgerCommands(program, act);

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
