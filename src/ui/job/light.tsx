'use client';

import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import type { DossierView, Lamp } from '../../core/job';

/** Which lamp's routes are shown on the diagram, and what was opened on it. */
interface Light {
  readonly lamp: Lamp | undefined;
  readonly press: (lampId: string) => void;
  /** Sections of the diagram whose every link is shown. */
  readonly opened: readonly string[];
  readonly open: (section: string) => void;
}

const Lights = createContext<Light | undefined>(undefined);

export function useLight(): Light {
  const light = useContext(Lights);
  if (!light) throw new Error('no lamp can be pressed here');
  return light;
}

/** The lamp that is pressed, shared by the board and the diagram. */
export function LightDesk({
  view,
  source,
  children,
}: {
  readonly view: DossierView;
  /** A source whose lamp is pressed at first. */
  readonly source: string | undefined;
  readonly children: ReactNode;
}) {
  const [pressed, setPressed] = useState(
    () => view.lamps.find(({ sources }) => sources.some(({ id }) => id === source))?.id,
  );
  const [opened, setOpened] = useState<readonly string[]>([]);
  const light = useMemo(
    (): Light => ({
      lamp: view.lamps.find(({ id }) => id === pressed),
      press: (id) => setPressed((now) => (now === id ? undefined : id)),
      opened,
      open: (section) => setOpened((now) => [...now, section]),
    }),
    [view.lamps, pressed, opened],
  );
  return <Lights.Provider value={light}>{children}</Lights.Provider>;
}
