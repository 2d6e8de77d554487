import { PickField } from '../kit/combobox';

/** Who signs in: picked from the names of the site on a device that is enrolled, else typed by the short name. */
export function WhoField({
  people,
}: {
  readonly people: readonly { readonly id: string; readonly label: string }[] | undefined;
}) {
  if (people) return <PickField label="Who are you?" name="person" options={people} isLarge />;
  return (
    <label className="flex flex-col gap-1">
      Who are you? Your short name
      <input
        name="person"
        required
        autoCapitalize="none"
        autoComplete="off"
        className="input w-full font-mono"
      />
    </label>
  );
}
