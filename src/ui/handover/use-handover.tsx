'use client';

import { listHandoverSigners } from '../../core/handover/record';
import type { HandoverCommand } from '../../core/handover/commands';
import { useSigned } from '../command/use-signed';

/** Gives commands about handovers, each signed; answers how to give one, and what shows on the screen meanwhile. */
export const useHandover = ({
  me,
  version,
  digest,
  names,
}: {
  readonly me: string;
  readonly version: number;
  readonly digest: string;
  readonly names: Readonly<Record<string, string>>;
}) =>
  useSigned<HandoverCommand>({
    url: '/api/handover',
    names,
    body: { expected: version, digest },
    signersOf: (command) => listHandoverSigners(command, me),
    changed: 'Something changed meanwhile. Nothing was signed: read the report again.',
  });
