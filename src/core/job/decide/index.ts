import { refuse, type Refusal } from '../../rules/refuse';
import { standAt } from '../attendance';
import { requireAuthority } from '../authority';
import { type Command, type CommandOf } from '../commands';
import { refuseEntered, timeOf } from '../entered';
import { type JobEvent } from '../events';
import { findInspectionDue } from '../inspection';
import { refusePhoto } from '../photos';
import { findCode, findSubject, findTarget, refuseScan } from '../scan';
import { findWorkOrder, type Context } from '../site';
import { type Dossier, type DossierState } from '../state';
import { decideAbsent } from './absent';
import { decideAir } from './air';
import { decideDetector } from './detector';
import { decideAlarm } from './alarm';
import { decideAudit } from './audit';
import { decideBox } from './box';
import { decideBriefing } from './briefing';
import { decideBypass } from './bypass';
import { decideClearing, decideMessage, decidePigging } from './clearing';
import { decideClearance } from './clearances';
import { decideCrew } from './crew';
import { decideDuty } from './duty';
import { decideEntry } from './entry';
import { decideFirms } from './firms';
import { decideGasTest } from './gas-test';
import { decideHotWork, decideTail } from './hot-work';
import { decideIsolating } from './isolating';
import { decideKit } from './kit';
import { type Outcome } from './outcome';
import { decidePapers } from './papers';
import { decidePermit } from './permit';
import { decideRaise, decidePlanning } from './planning';
import { decideRestoring } from './restoring';
import { decideRunUp } from './run-up';
import { decideSigning } from './sign-on';
import { decideStop, requireGoing } from './stop';
import { decideTestRun } from './test-run';
import { decideUnfit } from './unfit';
import { decideValidity } from './validity';
import { findWhereabouts } from '../whereabouts';

/** What a decider answers: events, or every reason against. */
export type Decision =
  | { readonly ok: true; readonly events: readonly JobEvent[] }
  | { readonly ok: false; readonly refusals: readonly Refusal[] };

function decideOn(dossier: Dossier, command: Command, context: Context): Outcome {
  switch (command.kind) {
    case 'raise-job':
      return {
        refusals: [refuse('already-done', { what: 'Raising' })],
        event: { kind: 'job-closed' },
      };
    case 'draft-plan':
    case 'set-grade':
    case 'submit-plan':
    case 'return-plan':
    case 'accept-plan':
    case 'check-label':
    case 'note-calculation':
      return decidePlanning(dossier, command, context);
    case 'tell-affected':
    case 'stop-plant':
    case 'lock-point':
    case 'open-outlet':
    case 'see-open':
    case 'take-watch':
    case 'end-watch':
    case 'restrain-store':
    case 'wait-out-store':
    case 'prove':
    case 'try-start':
      return decideIsolating(dossier, command, context);
    case 'choose-lockout':
    case 'chain-hasp':
    case 'lock-box':
    case 'hang-incoming':
    case 'take-off-control':
      return decideBox(dossier, command, context);
    case 'place-detector':
    case 'take-detector':
    case 'report-air':
    case 'report-fault':
    case 'hear-detector':
      return decideDetector(dossier, command, context);
    case 'plan-entry':
    case 'check-space':
    case 'open-space':
    case 'pump-out':
    case 'start-purge':
    case 'end-purge':
    case 'stop-purge':
    case 'enter-space':
    case 'leave-space':
    case 'call-in':
      return decideEntry(dossier, command, context);
    case 'ask-cold':
    case 'clear-neighbour':
    case 'brief-watch':
    case 'place-monitors':
    case 'take-out-blanks':
      return decideHotWork(dossier, command, context);
    case 'end-fire-watch':
    case 'make-round':
    case 'hand-over-watch':
      return decideTail(dossier, command, context);
    case 'raise-alarm':
    case 'clear-alarm':
      return decideAlarm(dossier, command, context);
    case 'add-photo':
      return {
        refusals: refusePhoto(dossier, command, context),
        event: { ...command, kind: 'photo-added' },
      };
    case 'report-lock':
    case 'replace-lock':
    case 'renew-lock':
    case 'tag-point':
      return decideUnfit(dossier, command, context);
    case 'sanction-test':
    case 'lift-for-test':
    case 'run-test':
      return decideTestRun(dossier, command, context);
    case 'hang-crew-lock':
    case 'take-off-crew-lock':
      return decideCrew(dossier, command, context);
    case 'ask-clearance':
    case 'take-clearance':
    case 'return-clearance':
      return decideClearance(dossier, command, context);
    case 'approve-gas-test':
      return decideGasTest(dossier, command, context);
    case 'set-barriers':
      return { refusals: [], event: { ...command, kind: 'barriers-set' } };
    case 'check-kit':
    case 'fail-kit':
    case 'count-joints':
    case 'check-cylinders':
    case 'allow-pressure-repair':
      return decideKit(dossier, command, context);
    case 'hold-briefing':
    case 'brief-latecomer':
      return decideBriefing(dossier, command, context);
    case 'plan-clearing':
      return decideClearing(dossier, command, context);
    case 'walk-line':
    case 'launch-pig':
    case 'see-pig':
    case 'pig-stuck':
    case 'read-line':
    case 'free-pig':
    case 'pig-arrived':
      return decidePigging(dossier, command, context);
    case 'send-message':
    case 'read-back':
      return decideMessage(dossier, command, context);
    case 'plan-run-up':
    case 'drop-run-up':
    case 'begin-run-up':
    case 'finish-run-up':
    case 'call-window':
      return decideRunUp(dossier, command, context);
    case 'see-points':
    case 'show-bounds':
      return decideFirms(dossier, command, context);
    case 'screen-job':
    case 'schedule-job':
    case 'name-team':
    case 'change-scope':
    case 'take-over-names':
    case 'accept-clash':
      return decidePapers(dossier, command, context);
    case 'assess-task':
    case 'approve-permit':
    case 'issue-permit':
    case 'hand-back':
    case 'close-permit':
    case 'cancel-permit':
      return decidePermit(dossier, command, context);
    case 'extend-permit':
    case 'revalidate-permit':
    case 'give-copy':
      return decideValidity(dossier, command, context);
    case 'test-air':
      return decideAir(dossier, command, context);
    case 'audit-permit':
    case 'finish-follow-up':
    case 'take-in-copy':
      return decideAudit(dossier, command, context);
    case 'stop-work':
    case 'lift-stop':
      return decideStop(dossier, command, context);
    case 'take-duty':
    case 'leave-duty':
    case 'share-fire-watch':
      return decideDuty(dossier, command, context);
    case 'sign-on':
    case 'sign-off':
      return decideSigning(dossier, command, context);
    case 'allow-bypass':
      return decideBypass(command, context);
    case 'inspect-isolation':
      return {
        refusals: findInspectionDue(dossier, context.site) ? [] : [refuse('nothing-hangs')],
        event: { ...command, kind: 'isolation-inspected' },
      };
    case 'remove-absent-lock':
    case 'tell-absent-owner':
      return decideAbsent(dossier, command, context);
    case 'open-box':
    case 'free-store':
    case 'close-outlet':
    case 'count-earths':
    case 'unlock-point':
    case 'walk-lineup':
    case 'leak-test':
    case 'see-start':
    case 'take-back':
    case 'close-job':
      return decideRestoring(dossier, command, context);
  }
}

/** Refuses a step whose scanned code is that of another place. */
function requireScanned(state: DossierState, command: Command, context: Context): Refusal[] {
  const { graph } = context.site;
  const subject = findSubject(command);
  const order = state && findWorkOrder(state, context.site);
  if (!('scanned' in command) || command.scanned === undefined || !order) return [];
  if (subject === undefined) return [];
  const target = findTarget(graph, order, subject);
  return refuseScan(command.scanned, context.jobId, target, findCode(graph, command.scanned));
}

/** Someone whose lock was taken off may have to be told, a lock be made good, a finding be followed up, long after. */
const AFTER_CLOSING: readonly Command['kind'][] = [
  'tell-absent-owner',
  'renew-lock',
  'finish-follow-up',
];

/** Decides a command on a job: the events that follow, or every reason against it. Never throws on what a person can send. */
export function decideJob(state: DossierState, command: Command, given: Context): Decision {
  const context = { ...given, where: findWhereabouts(state, command, given.site.graph) };
  const authority = requireAuthority(command, context);
  if (state === undefined && command.kind !== 'raise-job') {
    return { ok: false, refusals: [...authority, refuse('not-yet-raised')] };
  }
  if (state?.kind === 'closed' && !AFTER_CLOSING.includes(command.kind))
    return { ok: false, refusals: [refuse('job-closed')] };
  const now = timeOf(command, context);
  const stands = state && standAt(state, context.now);
  const outcome =
    stands === undefined
      ? decideRaise(command as CommandOf<'raise-job'>, context)
      : decideOn(stands, command, { ...context, now });
  const refusals = [
    ...authority,
    ...refuseEntered(state, command, context),
    ...requireScanned(state, command, context),
    ...(stands ? requireGoing(stands, command, context) : []),
    ...outcome.refusals,
  ];
  return refusals.length > 0 ? { ok: false, refusals } : { ok: true, events: [outcome.event] };
}
