import type { ReactNode } from 'react';

const TONES = {
  error: 'border-error',
  warning: 'border-warning',
  info: 'border-info',
  plain: 'border-base-300',
} as const;

/** A remark beside the work: what is wrong, what to mind, what to know. */
export function Note({
  tone = 'plain',
  isSmall = false,
  role,
  children,
}: {
  readonly tone?: keyof typeof TONES;
  readonly isSmall?: boolean;
  readonly role?: 'note' | 'alert' | 'status';
  readonly children: ReactNode;
}) {
  return (
    <p role={role} className={`border-l-4 pl-2 ${TONES[tone]} ${isSmall ? 'text-sm' : ''}`}>
      {children}
    </p>
  );
}
