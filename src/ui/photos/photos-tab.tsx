'use client';

import type { DossierProps } from '../job/types';
import { AddPhoto } from './add-photo';
import { PhotoList } from './photo-list';

/** The photographs of a job, and one more. */
export function PhotosTab({ view, names }: Pick<DossierProps, 'view' | 'names'>) {
  return (
    <section aria-label="Photographs" className="flex flex-col gap-3">
      <h2 className="text-lg font-bold">Photographs</h2>
      <PhotoList photos={view.dossier.photos} names={names} />
      {view.stage !== 'closed' && <AddPhoto of="place" subject={view.dossier.equipment} />}
    </section>
  );
}
