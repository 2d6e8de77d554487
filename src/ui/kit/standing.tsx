/** How a job or a permit stands, in a word; a stop is never missed. */
export const Standing = ({ words }: { readonly words: string }) => (
  <span className={words === 'STOPPED' ? 'font-bold text-error' : ''}>{words}</span>
);
