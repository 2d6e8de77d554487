'use client';

import { Menu as MenuIcon } from 'lucide-react';
import { Menu } from '../kit/menu';
import { isAt, type Place } from './places';

/** The places behind one button, where there is no room for the rail. */
export const NarrowPlaces = ({
  path,
  places,
}: {
  readonly path: string;
  readonly places: readonly Place[];
}) => (
  <Menu
    label="Places"
    align="start"
    className="rounded p-1 hover:bg-base-300 md:hidden"
    button={<MenuIcon size={20} aria-hidden />}
    items={places.map(({ href, label, Icon }) => ({
      label,
      href,
      icon: <Icon size={18} aria-hidden />,
      isCurrent: isAt(path, href),
    }))}
  />
);
