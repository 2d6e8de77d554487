import { ROLE_NAMES } from '../people/people';
import { ROLES_FOR, type ChangeStep } from './decide';
import type { NextForChange } from './line';

/** The step by which what comes next is done. */
export const STEP_FOR: Readonly<Record<NextForChange, ChangeStep>> = {
  assess: 'assess-change',
  allow: 'allow-change',
  tell: 'tell-change',
  draw: 'draw-change',
  undo: 'undo-change',
  'see-undone': 'see-undone',
  stands: 'undo-change',
};

/** Who does not take a step, whatever their role. */
const OTHER_THAN: Readonly<Partial<Record<ChangeStep, string>>> = {
  'assess-change': 'the proposer',
  'allow-change': 'the proposer and whoever looked at its hazards',
  'see-undone': 'the one who put it back',
};

/** "somebody else than the proposer: area operator or coordinator": who takes a step. */
export function sayWho(step: ChangeStep): string {
  const other = OTHER_THAN[step];
  const who = other === undefined ? 'somebody' : `somebody else than ${other}`;
  const roles = ROLES_FOR[step].map((role) => ROLE_NAMES[role]).join(' or ');
  return roles === '' ? `${who} who is signed in` : `${who}: ${roles}`;
}
