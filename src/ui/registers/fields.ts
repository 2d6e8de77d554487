import { KIT_KIND_NAMES, KIT_KINDS, PRESSURE_KIND_NAMES, PRESSURE_KINDS } from '../../core/kit/kit';
import type { RegisterName } from '../../core/registers/schema';

interface Option {
  readonly id: string;
  readonly label: string;
}

/** A field of the form of a register's row. */
export interface Field {
  readonly name: string;
  readonly label: string;
  readonly type: 'text' | 'number' | 'day' | 'choice' | 'person';
  readonly options?: readonly Option[];
  readonly isNeeded?: true;
  /** What a new row begins with. */
  readonly start?: string;
}

const name: Field = { name: 'name', label: 'Name', type: 'text', isNeeded: true };
const testedUntil: Field = {
  name: 'testedUntil',
  label: 'Test in date until',
  type: 'day',
  isNeeded: true,
};
const UNSAFE: Field = { name: 'unsafe', label: 'Out of use, because', type: 'text' };
const yesNo = (field: string, label: string, no: string, yes: string): Field => ({
  name: field,
  label,
  type: 'choice',
  options: [
    { id: '', label: no },
    { id: 'yes', label: yes },
  ],
});
const READS = ['voltage', 'pressure', 'level', 'motion', 'temperature', 'gas'];

/** The fields of a row of each register, after its number. */
export const FIELDS: Readonly<Record<RegisterName, readonly Field[]>> = {
  locks: [
    { name: 'set', label: 'Set', type: 'text', isNeeded: true },
    {
      name: 'use',
      label: 'Used',
      type: 'choice',
      isNeeded: true,
      start: 'point',
      options: [
        { id: 'point', label: 'of the site, for points' },
        { id: 'control', label: 'control lock, for boxes' },
        { id: 'crew', label: 'of a crew' },
        { id: 'personal', label: 'personal, of one owner' },
      ],
    },
    { name: 'owner', label: 'Owner, of a personal lock', type: 'person' },
  ],
  boxes: [name],
  hasps: [name, { name: 'holes', label: 'Holes', type: 'number', isNeeded: true }],
  instruments: [
    name,
    {
      name: 'reads',
      label: 'Reads',
      type: 'choice',
      isNeeded: true,
      start: 'pressure',
      options: READS.map((id) => ({ id, label: id })),
    },
    {
      name: 'contact',
      label: 'A voltage tester touches',
      type: 'choice',
      options: [
        { id: '', label: 'not a voltage tester' },
        { id: 'two-pole', label: 'two poles' },
        { id: 'non-contact', label: 'without contact' },
        { id: 'plug-in', label: 'plugged in' },
      ],
    },
    { name: 'rated_v', label: 'Rated for (V), a voltage tester', type: 'number' },
    { name: 'tip_mm', label: 'Bare tip of its probes (mm)', type: 'number' },
    yesNo('guarded', 'Its probes', 'have no guard', 'are guarded'),
    yesNo('fused', 'Its leads', 'are plain', 'are fused or current-limited'),
    testedUntil,
  ],
  earths: [
    name,
    { name: 'rated_ka', label: 'Carries (kA)', type: 'number' },
    { name: 'rated_s', label: 'For (s)', type: 'number' },
    testedUntil,
  ],
  kit: [
    name,
    { name: 'use', label: 'What for', type: 'text', isNeeded: true },
    {
      name: 'kind',
      label: 'Kind, where jobs ask for it',
      type: 'choice',
      options: [
        { id: '', label: 'none of these' },
        ...KIT_KIND_NAMES.map((id) => ({ id, label: KIT_KINDS[id].name })),
      ],
    },
    { name: 'rated_v', label: 'Rated for (V), what insulates', type: 'number' },
    { name: 'testedUntil', label: 'Test in date until, where it is tested', type: 'day' },
    UNSAFE,
  ],
  pressure: [
    name,
    {
      name: 'of',
      label: 'What it is',
      type: 'choice',
      isNeeded: true,
      start: 'vessel',
      options: PRESSURE_KIND_NAMES.map((id) => ({ id, label: PRESSURE_KINDS[id] })),
    },
    yesNo('portable', 'It is', 'fixed', 'portable'),
    { name: 'at', label: 'Equipment, section or point of the drawing', type: 'text' },
    { name: 'certificate', label: 'Certificate', type: 'text' },
    { name: 'inspectedAt', label: 'Inspected on', type: 'day' },
    { name: 'testedAt', label: 'Tested under pressure on', type: 'day' },
    { name: 'alteredAt', label: 'Repaired, altered, laid up, moved or worn since', type: 'day' },
    { name: 'altered', label: 'Which of these, and where', type: 'text' },
    UNSAFE,
  ],
  employers: [
    { ...name, label: 'Name, as it stands with its people' },
    {
      name: 'own',
      label: 'Whose',
      type: 'choice',
      options: [
        { id: '', label: 'another firm' },
        { id: 'yes', label: 'the site’s own' },
      ],
    },
    {
      name: 'resident',
      label: 'Before its people sign on',
      type: 'choice',
      options: [
        { id: '', label: 'its lead goes round the points of each job' },
        { id: 'yes', label: 'nothing more: it works here always, under the site’s own rules' },
      ],
    },
    { name: 'contract', label: 'Contract', type: 'text' },
    { name: 'contractFrom', label: 'Contract counts from', type: 'day' },
    { name: 'contractUntil', label: 'Contract counts until', type: 'day' },
    { name: 'exchangedAt', label: 'Rules of energy control exchanged on', type: 'day' },
    { name: 'lead', label: 'Leads its people', type: 'person' },
  ],
  bundles: [
    name,
    { name: 'roles', label: 'Roles, parted by blanks', type: 'text', isNeeded: true },
  ],
};
