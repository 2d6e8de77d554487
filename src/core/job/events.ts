import type { CommandKind, CommandOf } from './commands';
import type { NotedCalculation } from './state';

/** What a command says, when it becomes an event unchanged. */
type Body<Kind extends CommandKind> = Omit<CommandOf<Kind>, 'kind'>;

/** What happened to a job, in the past tense. */
export type JobEvent =
  | ({ readonly kind: 'job-raised' } & Body<'raise-job'>)
  | ({ readonly kind: 'plan-drafted'; readonly plantVersion?: number } & Body<'draft-plan'>)
  | ({ readonly kind: 'grade-set' } & Body<'set-grade'>)
  | { readonly kind: 'plan-submitted'; readonly drawingChecked?: boolean }
  | { readonly kind: 'plan-returned'; readonly note: string }
  | { readonly kind: 'plan-accepted'; readonly note: string }
  | ({ readonly kind: 'label-checked' } & Body<'check-label'>)
  | ({ readonly kind: 'calculation-noted' } & Body<'note-calculation'> &
      Omit<NotedCalculation, 'by' | 'at'>)
  | { readonly kind: 'affected-told'; readonly who: string }
  | { readonly kind: 'plant-stopped'; readonly how: string }
  | ({ readonly kind: 'point-locked' } & Body<'lock-point'>)
  | ({ readonly kind: 'outlet-opened' } & Body<'open-outlet'>)
  | ({ readonly kind: 'watch-taken' } & Body<'take-watch'>)
  | ({ readonly kind: 'watch-ended' } & Body<'end-watch'>)
  | ({ readonly kind: 'store-restrained' } & Body<'restrain-store'>)
  | ({ readonly kind: 'store-waited-out' } & Body<'wait-out-store'>)
  | ({ readonly kind: 'proved' } & Body<'prove'>)
  | ({ readonly kind: 'found-live' } & Body<'prove'>)
  | { readonly kind: 'start-tried'; readonly station: string }
  | { readonly kind: 'found-moving'; readonly station: string }
  | {
      readonly kind: 'box-locked';
      readonly box: string;
      readonly lock: string;
      readonly keys: readonly string[];
    }
  | ({ readonly kind: 'lockout-chosen' } & Body<'choose-lockout'>)
  | ({ readonly kind: 'hasp-chained' } & Body<'chain-hasp'>)
  | { readonly kind: 'incoming-hung'; readonly lock: string }
  | { readonly kind: 'incoming-withdrawn'; readonly lock: string }
  | { readonly kind: 'control-handed-over'; readonly lock: string; readonly to: string }
  | ({ readonly kind: 'crew-joined' } & Body<'hang-crew-lock'>)
  | ({ readonly kind: 'crew-lead-incoming' } & Body<'hang-crew-lock'>)
  | ({ readonly kind: 'crew-handed-over' } & Body<'take-off-crew-lock'>)
  | ({ readonly kind: 'crew-left' } & Body<'take-off-crew-lock'>)
  | ({ readonly kind: 'alarm-raised' } & Body<'raise-alarm'>)
  | ({ readonly kind: 'alarm-cleared' } & Body<'clear-alarm'>)
  | ({ readonly kind: 'lock-found-unfit' } & Body<'report-lock'>)
  | ({ readonly kind: 'lock-replaced'; readonly old: string } & Body<'replace-lock'>)
  | ({ readonly kind: 'lock-renewed' } & Body<'renew-lock'>)
  | ({ readonly kind: 'point-tagged' } & Body<'tag-point'>)
  | ({ readonly kind: 'test-sanctioned' } & Body<'sanction-test'>)
  | {
      readonly kind: 'lifted-for-test';
      readonly point: string;
      /** The lock that came off, where one hung. */
      readonly lock?: string;
    }
  | ({ readonly kind: 'test-run' } & Body<'run-test'>)
  | ({ readonly kind: 'task-assessed' } & Body<'assess-task'>)
  | { readonly kind: 'permit-approved' }
  | {
      readonly kind: 'permit-issued';
      readonly number: string;
      readonly until: string;
      readonly performer: string;
    }
  | {
      readonly kind: 'signed-on';
      readonly person: string;
      readonly crew?: string;
      readonly locks: Readonly<Record<string, string>>;
    }
  | { readonly kind: 'signed-off'; readonly person: string }
  | ({
      readonly kind: 'absent-lock-removed';
      readonly owner: string;
      readonly where: string;
    } & Body<'remove-absent-lock'>)
  | ({ readonly kind: 'absent-owner-told' } & Body<'tell-absent-owner'>)
  | ({ readonly kind: 'permit-handed-back' } & Body<'hand-back'>)
  | { readonly kind: 'permit-closed'; readonly inspected: string }
  | { readonly kind: 'box-opened' }
  | { readonly kind: 'store-freed'; readonly store: string; readonly left?: boolean }
  | { readonly kind: 'outlet-closed'; readonly outlet: string; readonly left?: boolean }
  | ({ readonly kind: 'earths-counted' } & Body<'count-earths'>)
  | { readonly kind: 'point-unlocked'; readonly link: string; readonly lock: string }
  | ({ readonly kind: 'lineup-walked' } & Body<'walk-lineup'>)
  | ({ readonly kind: 'lineup-differed'; readonly normal: 'open' | 'closed' } & Body<'walk-lineup'>)
  | ({
      readonly kind: 'leak-tested';
      readonly tight: boolean;
      /** The largest leak that may have been missed (bar l/s). */
      readonly missed?: number;
    } & Body<'leak-test'>)
  | ({ readonly kind: 'start-seen' } & Body<'see-start'>)
  | ({ readonly kind: 'bypass-allowed' } & Body<'allow-bypass'>)
  | ({ readonly kind: 'isolation-inspected' } & Body<'inspect-isolation'>)
  | { readonly kind: 'plant-taken-back'; readonly told: string }
  | { readonly kind: 'job-closed' };
