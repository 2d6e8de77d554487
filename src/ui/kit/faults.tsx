import type { Posted } from '../command/post';

/** What the server refused, with every reason; nothing where it refused nothing. */
export function Faults({ answer }: { readonly answer: Posted | undefined }) {
  if (!answer || answer.ok) return null;
  const { error, problems = [] } = answer;
  return (
    <div role="alert" className="border-l-4 border-error pl-2">
      <p className="font-bold">{error}</p>
      <ul className="max-h-64 overflow-auto text-sm" tabIndex={problems.length > 0 ? 0 : undefined}>
        {problems.map((problem) => (
          <li key={problem}>{problem}</li>
        ))}
      </ul>
    </div>
  );
}
