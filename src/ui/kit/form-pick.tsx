'use client';

import { useController, type FieldValues, type UseControllerProps } from 'react-hook-form';
import type { Choice } from './choice';
import { Combobox } from './combobox';

/** A combobox in a form of react-hook-form. */
export function FormPick<Values extends FieldValues>({
  label,
  options,
  isLarge = false,
  onPick,
  ...at
}: UseControllerProps<Values> & {
  readonly label: string;
  readonly options: readonly Choice[];
  readonly isLarge?: boolean;
  /** Told what is chosen, where another field follows it. */
  readonly onPick?: (id: string) => void;
}) {
  const { field } = useController(at);
  return (
    <Combobox
      label={label}
      options={options}
      value={field.value as string | undefined}
      onPick={(id) => {
        field.onChange(id);
        onPick?.(id);
      }}
      isLarge={isLarge}
    />
  );
}
