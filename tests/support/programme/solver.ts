import loadHighs from 'highs';
import { writeLp, type IntegerProgramme, type ProgrammeSolver } from './programme';
import { ProgrammerFault } from '../../../src/core/result';

const OPTIONS = { mip_rel_gap: 0, mip_abs_gap: 0, output_flag: false, random_seed: 0 } as const;

let loading: Promise<ProgrammeSolver> | undefined;

async function load(): Promise<ProgrammeSolver> {
  const highs = await loadHighs();
  return (programme: IntegerProgramme) => {
    const solution = highs.solve(writeLp(programme), OPTIONS);
    if (solution.Status === 'Infeasible') return { kind: 'infeasible' };
    if (solution.Status !== 'Optimal') {
      throw new ProgrammerFault(`the solver answered ${solution.Status}`);
    }
    const columns = Object.values(solution.Columns) as { Name: string; Primal?: number }[];
    const chosen = columns.filter(({ Primal = 0 }) => Primal > 0.5).map(({ Name }) => Name);
    return { kind: 'solved', value: solution.ObjectiveValue, chosen: new Set(chosen) };
  };
}

/** The general solver that the planner is given: HiGHS, compiled to WebAssembly, exact on 0-1 programmes. */
export function loadSolver(): Promise<ProgrammeSolver> {
  loading ??= load();
  return loading;
}
