import { refuse, type Refusal } from '../rules/refuse';
import {
  AUDIT_CHECKS,
  AUDIT_CODES,
  type AuditAnswer,
  type AuditCode,
  type AuditFindings,
} from './checks';

/** What is missing of an answer: words for what differs, and what is done about it by when. */
function refuseAnswer(code: AuditCode, answer: AuditAnswer, now: string): Refusal[] {
  const { asks } = AUDIT_CHECKS[code];
  const { found, seen, putRight, followUp } = answer;
  if (found === 'as-written') return [];
  const isOpen = found === 'differs' && putRight === undefined && followUp === undefined;
  const isPast = followUp !== undefined && Date.parse(followUp.until) <= Date.parse(now);
  return [
    ...(seen === undefined ? [refuse('audit-unsaid', { asks })] : []),
    ...(isOpen ? [refuse('audit-nothing-done', { asks })] : []),
    ...(isPast ? [refuse('follow-up-past', { until: followUp.until })] : []),
  ];
}

/** What is missing of a short check at `now`: questions left open or never asked, people who do not balance, findings without an answer. */
export function refuseFindings(
  { counted, signedOn, answers }: AuditFindings,
  asked: readonly AuditCode[],
  now: string,
): Refusal[] {
  const open = asked.filter((code) => answers[code] === undefined);
  const unasked = AUDIT_CODES.filter(
    (code) => answers[code] !== undefined && !asked.includes(code),
  );
  return [
    ...open.map((code) => refuse('audit-open', { asks: AUDIT_CHECKS[code].asks })),
    ...unasked.map((code) => refuse('audit-not-asked', { asks: AUDIT_CHECKS[code].asks })),
    ...(counted !== signedOn && answers.people?.found === 'as-written'
      ? [refuse('audit-count-differs', { counted, signedOn })]
      : []),
    ...asked.flatMap((code) => {
      const answer = answers[code];
      return answer === undefined ? [] : refuseAnswer(code, answer, now);
    }),
  ];
}
