import { listAccepters } from '../permits/accepters';
import type { Command } from './commands';

/** People whose fresh PIN a command needs. */
export function listSigners(command: Command, actor: string): readonly string[] {
  switch (command.kind) {
    case 'issue-permit':
    case 'extend-permit':
    case 'revalidate-permit':
    case 'sanction-test':
      return [actor, command.performer];
    case 'hold-briefing':
      return [...new Set([actor, ...command.present])];
    case 'brief-latecomer':
      return [command.person];
    case 'schedule-job':
      return [actor, command.operator];
    case 'show-bounds':
      return [actor, command.lead];
    case 'assess-task':
      return listAccepters(command).map(({ person }) => person);
    case 'take-duty':
    case 'leave-duty':
    case 'make-round':
    case 'enter-space':
      return [command.person];
    case 'hand-over-watch':
      return [actor, command.to];
    case 'end-fire-watch':
      return [actor, command.operator];
    case 'hand-back':
      return command.watcher === undefined ? [actor] : [actor, command.watcher];
    case 'tag-point':
      return [actor, command.accepter];
    case 'leak-test':
      return command.accepter === undefined ? [] : [command.accepter];
    case 'sign-on':
    case 'sign-off':
      return [command.person];
    case 'note-calculation':
      return command.shorten === undefined ? [] : [actor];
    case 'prove':
    case 'open-outlet':
      return command.second === undefined ? [] : [command.second];
    case 'hang-crew-lock':
      return [actor, command.lead];
    case 'take-off-crew-lock':
      return [command.lead];
    case 'remove-absent-lock':
      return [actor, command.manager];
    case 'tell-absent-owner':
      return [actor, command.owner];
    case 'plan-clearing':
    case 'launch-pig':
    case 'free-pig':
    case 'pig-arrived':
    case 'count-joints':
    case 'call-window':
    case 'take-clearance':
    case 'return-clearance':
    case 'approve-gas-test':
    case 'allow-pressure-repair':
    case 'see-points':
    case 'set-grade':
    case 'return-plan':
    case 'accept-plan':
    case 'screen-job':
    case 'change-scope':
    case 'take-over-names':
    case 'cancel-permit':
    case 'lift-stop':
    case 'accept-clash':
    case 'share-fire-watch':
    case 'approve-permit':
    case 'close-permit':
    case 'audit-permit':
    case 'test-air':
    case 'plan-entry':
    case 'check-space':
    case 'open-space':
    case 'pump-out':
    case 'end-purge':
    case 'ask-cold':
    case 'clear-neighbour':
    case 'take-out-blanks':
    case 'place-monitors':
    case 'finish-follow-up':
    case 'lock-box':
    case 'hang-incoming':
    case 'take-off-control':
    case 'open-box':
    case 'clear-alarm':
    case 'replace-lock':
    case 'renew-lock':
    case 'lift-for-test':
    case 'run-test':
    case 'unlock-point':
    case 'allow-bypass':
    case 'inspect-isolation':
    case 'take-back':
    case 'close-job':
      return [actor];
    default:
      return [];
  }
}
