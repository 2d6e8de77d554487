import type { JobEvent } from '../events';
import type { IsolationRecord, Mark } from '../state';
import { relight } from './unprove';

/** The incoming control lock becomes the one in charge; the shift that takes over proves for itself. */
export function passControl(isolation: IsolationRecord, at: string): IsolationRecord {
  const { box } = isolation;
  if (!box?.incoming) return isolation;
  const { incoming, ...rest } = box;
  return { ...relight(isolation, 'shift-changed', at), box: { ...rest, ...incoming } };
}

export function evolveControl(
  isolation: IsolationRecord,
  event: Extract<
    JobEvent,
    { kind: 'incoming-hung' | 'incoming-withdrawn' | 'control-handed-over' }
  >,
  mark: Mark,
): IsolationRecord {
  const { box } = isolation;
  if (!box) return isolation;
  switch (event.kind) {
    case 'incoming-hung':
      return { ...isolation, box: { ...box, incoming: { ...mark, lock: event.lock } } };
    case 'incoming-withdrawn':
      return { ...isolation, box: { ...box, incoming: undefined } };
    case 'control-handed-over':
      return passControl(isolation, mark.at);
  }
}
