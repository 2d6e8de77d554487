import type { AuditCode } from '../audit';
import type { ClearingPlan } from '../clearing/profile';
import type { AirUse } from '../gas';
import type { TailPolicy } from '../hotwork';
import type { PaperKind, ProposedPaper } from '../permits';
import type { CommandKind, CommandOf } from './commands';
import type { NotedCalculation } from './state';

/** What a command says, when it becomes an event unchanged. */
type Body<Kind extends CommandKind> = Omit<CommandOf<Kind>, 'kind'>;

/** An assessment as it was kept before tasks had steps and controls had ranks. */
export interface EarlierAssessment {
  readonly hazards: readonly { readonly hazard: string; readonly control: string }[];
  readonly equipment: string;
  readonly emergency: string;
}

/** What happened to a job, in the past tense. */
export type JobEvent =
  | ({
      readonly kind: 'job-raised';
      readonly lockout?: CommandOf<'choose-lockout'>['way'];
    } & Body<'raise-job'>)
  | ({
      readonly kind: 'plan-drafted';
      readonly plantVersion?: number;
      /** By which trace it was drawn up; events from before there was a second one name none. */
      readonly trace?: number;
      /** The version of the procedure that was taken over. */
      readonly procedureVersion?: number;
    } & Body<'draft-plan'>)
  | ({
      readonly kind: 'grade-set';
      /** Events from before grades were set by arrival name one source. */
      readonly source?: string;
    } & Partial<Pick<Body<'set-grade'>, 'sources'>> &
      Omit<Body<'set-grade'>, 'sources'>)
  | { readonly kind: 'plan-submitted'; readonly drawingChecked?: boolean }
  | {
      readonly kind: 'plan-returned';
      readonly note: string;
      /** Points stand already, and a defect speaks against them: everything is proved again. */
      readonly relights?: true;
    }
  | { readonly kind: 'plan-accepted'; readonly note: string }
  | ({ readonly kind: 'label-checked' } & Body<'check-label'>)
  | ({ readonly kind: 'calculation-noted' } & Body<'note-calculation'> &
      Omit<NotedCalculation, 'by' | 'at'>)
  | { readonly kind: 'affected-told'; readonly who: string }
  | { readonly kind: 'plant-stopped'; readonly how: string }
  | ({ readonly kind: 'point-locked' } & Body<'lock-point'>)
  | ({ readonly kind: 'seen-open' } & Body<'see-open'>)
  | ({ readonly kind: 'way-found-shut' } & Body<'see-open'>)
  | ({ readonly kind: 'outlet-opened' } & Body<'open-outlet'>)
  | ({ readonly kind: 'watch-taken' } & Body<'take-watch'>)
  | ({ readonly kind: 'watch-ended' } & Body<'end-watch'>)
  | ({
      readonly kind: 'store-restrained';
      /** A shaft is held, by its pump, and no store. */
      readonly isHold?: boolean;
    } & Body<'restrain-store'>)
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
  | ({ readonly kind: 'photo-added' } & Body<'add-photo'>)
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
  | ({
      readonly kind: 'job-screened';
      readonly proposed: readonly ProposedPaper[];
    } & Body<'screen-job'>)
  | ({ readonly kind: 'job-scheduled' } & Body<'schedule-job'>)
  | ({ readonly kind: 'team-named' } & Body<'name-team'>)
  | ({ readonly kind: 'barriers-set' } & Body<'set-barriers'>)
  | ({ readonly kind: 'clearance-asked' } & Body<'ask-clearance'>)
  | ({ readonly kind: 'clearance-taken' } & Body<'take-clearance'>)
  | ({ readonly kind: 'clearance-returned' } & Body<'return-clearance'>)
  | ({ readonly kind: 'kit-checked' } & Body<'check-kit'>)
  | ({ readonly kind: 'kit-failed' } & Body<'fail-kit'>)
  | ({ readonly kind: 'joints-counted' } & Body<'count-joints'>)
  | ({ readonly kind: 'cylinders-checked' } & Body<'check-cylinders'>)
  | ({ readonly kind: 'pressure-repair-allowed' } & Body<'allow-pressure-repair'>)
  | ({
      readonly kind: 'briefing-held';
      /** What the weather made it say. */
      readonly told: readonly string[];
    } & Body<'hold-briefing'>)
  | ({ readonly kind: 'latecomer-briefed' } & Body<'brief-latecomer'>)
  | ({ readonly kind: 'clearing-planned'; readonly worked: ClearingPlan } & Body<'plan-clearing'>)
  | ({ readonly kind: 'line-walked' } & Body<'walk-line'>)
  | { readonly kind: 'pig-launched'; readonly from_m: number }
  | ({ readonly kind: 'pig-seen' } & Body<'see-pig'>)
  | ({ readonly kind: 'pig-found-stuck' } & Body<'pig-stuck'>)
  | ({
      readonly kind: 'line-read';
      /** What was read there before (bar), where it has risen on a stuck pig. */
      readonly rose?: number;
    } & Body<'read-line'>)
  | ({ readonly kind: 'pig-freed' } & Body<'free-pig'>)
  | ({ readonly kind: 'pig-came' } & Body<'pig-arrived'>)
  | ({ readonly kind: 'message-sent'; readonly number: number } & Body<'send-message'>)
  | ({ readonly kind: 'message-read-back' } & Body<'read-back'>)
  | ({ readonly kind: 'run-up-planned' } & Body<'plan-run-up'>)
  | ({ readonly kind: 'run-up-dropped' } & Body<'drop-run-up'>)
  | ({ readonly kind: 'run-up-begun' } & Body<'begin-run-up'>)
  | ({ readonly kind: 'run-up-finished' } & Body<'finish-run-up'>)
  | ({ readonly kind: 'window-called' } & Body<'call-window'>)
  | ({ readonly kind: 'gas-test-approved' } & Body<'approve-gas-test'>)
  | ({ readonly kind: 'points-seen' } & Body<'see-points'>)
  | ({ readonly kind: 'bounds-shown' } & Body<'show-bounds'>)
  | ({ readonly kind: 'task-assessed' } & (Body<'assess-task'> | EarlierAssessment))
  | { readonly kind: 'permit-approved' }
  | {
      readonly kind: 'permit-issued';
      readonly number: string;
      readonly until: string;
      readonly performer: string;
      /** Events from before papers were decided were all of general permits. */
      readonly papers?: readonly PaperKind[];
    }
  | ({ readonly kind: 'permit-extended'; readonly until: string } & Body<'extend-permit'>)
  | ({ readonly kind: 'permit-revalidated' } & Body<'revalidate-permit'>)
  | ({ readonly kind: 'copy-given'; readonly number: number } & Body<'give-copy'>)
  | ({
      readonly kind: 'air-tested';
      readonly isFit: boolean;
      /** What is not fit, in words. */
      readonly findings: readonly string[];
      /** What is fit and near its limit, in words. */
      readonly near?: readonly string[];
    } & Body<'test-air'>)
  | ({ readonly kind: 'detector-placed' } & Body<'place-detector'>)
  | ({ readonly kind: 'detector-taken' } & Body<'take-detector'>)
  | ({
      readonly kind: 'air-alarmed';
      readonly use: AirUse;
      readonly place: string;
      /** What is not fit, in words. */
      readonly findings: readonly string[];
    } & Body<'report-air'>)
  | ({
      readonly kind: 'detector-failed';
      readonly use: AirUse;
      readonly place: string;
    } & Body<'report-fault'>)
  | ({ readonly kind: 'detector-heard' } & Body<'hear-detector'>)
  | ({ readonly kind: 'entry-planned' } & Body<'plan-entry'>)
  | ({ readonly kind: 'space-checked' } & Body<'check-space'>)
  | ({ readonly kind: 'space-opened' } & Body<'open-space'>)
  | ({ readonly kind: 'pumped-out' } & Body<'pump-out'>)
  | ({
      readonly kind: 'purge-started';
      readonly minutes: number;
      /** Which way to a time was the longest. */
      readonly why: string;
      readonly until: string;
    } & Body<'start-purge'>)
  | ({ readonly kind: 'purge-ended' } & Body<'end-purge'>)
  | ({ readonly kind: 'purge-stopped' } & Body<'stop-purge'>)
  | ({ readonly kind: 'space-entered' } & Body<'enter-space'>)
  | ({ readonly kind: 'space-left' } & Body<'leave-space'>)
  | ({ readonly kind: 'called-in' } & Body<'call-in'>)
  | ({ readonly kind: 'cold-asked' } & Body<'ask-cold'>)
  | ({ readonly kind: 'neighbour-cleared' } & Body<'clear-neighbour'>)
  | ({ readonly kind: 'blanks-out' } & Body<'take-out-blanks'>)
  | ({ readonly kind: 'monitors-placed' } & Body<'place-monitors'>)
  | ({ readonly kind: 'watch-briefed' } & Body<'brief-watch'>)
  | ({ readonly kind: 'fire-watch-ended' } & Body<'end-fire-watch'>)
  | ({ readonly kind: 'round-made' } & Body<'make-round'>)
  | ({ readonly kind: 'watch-handed-over' } & Body<'hand-over-watch'>)
  | ({ readonly kind: 'copy-taken-in' } & Body<'take-in-copy'>)
  | ({
      readonly kind: 'permit-audited';
      /** People that were signed on when it was checked. */
      readonly signedOn: number;
      /** What was found to stop the job. */
      readonly grave: readonly AuditCode[];
    } & Body<'audit-permit'>)
  | ({ readonly kind: 'follow-up-finished' } & Body<'finish-follow-up'>)
  | ({ readonly kind: 'work-stopped' } & Body<'stop-work'>)
  | ({ readonly kind: 'stop-lifted' } & Body<'lift-stop'>)
  | ({ readonly kind: 'permit-cancelled' } & Body<'cancel-permit'>)
  | ({ readonly kind: 'scope-changed' } & Body<'change-scope'>)
  | {
      readonly kind: 'names-taken-over';
      /** The version of the plant on which things have these ids. */
      readonly plantVersion: number;
      /** What each old id is now. */
      readonly names: Readonly<Record<string, string>>;
    }
  | ({ readonly kind: 'clash-accepted' } & Body<'accept-clash'>)
  | ({ readonly kind: 'duty-taken' } & Body<'take-duty'>)
  | ({ readonly kind: 'duty-left' } & Body<'leave-duty'>)
  | ({ readonly kind: 'fire-watch-shared' } & Body<'share-fire-watch'>)
  | {
      readonly kind: 'signed-on';
      readonly person: string;
      readonly crew?: string;
      readonly sparks?: boolean;
      readonly locks: Readonly<Record<string, string>>;
    }
  | { readonly kind: 'signed-off'; readonly person: string }
  | ({
      readonly kind: 'absent-lock-removed';
      readonly owner: string;
      readonly where: string;
    } & Body<'remove-absent-lock'>)
  | ({ readonly kind: 'absent-owner-told' } & Body<'tell-absent-owner'>)
  | ({
      readonly kind: 'permit-handed-back';
      /** Until when it is watched for fire (ISO 8601, UTC), after hot work. */
      readonly watchedUntil?: string;
      /** The regime of the watch; events from before there were rounds have none. */
      readonly tail?: TailPolicy;
    } & Omit<Body<'hand-back'>, 'finished'> & { readonly finished?: boolean })
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
