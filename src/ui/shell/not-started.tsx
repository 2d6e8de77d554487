/** The whole page while the server cannot open or read its database: why, and what to do at the plant meanwhile. */
export function NotStarted({ trouble }: { readonly trouble: string }) {
  return (
    <html lang="en">
      <body className="min-h-screen bg-base-100 p-6 text-base-content">
        <main className="mx-auto flex max-w-3xl flex-col gap-3">
          <h1 className="text-2xl font-bold">Heavy Lantern cannot work now</h1>
          <p role="alert" className="border-l-4 border-error pl-3">
            <strong>{trouble}</strong>
          </p>
          <p>
            Permits that are out stay out, and locks stay on. Go by the printed papers; issue
            nothing, and stop work by radio where it has to stop.
          </p>
          <p>Whoever looks after the server: mend it, then load this page again.</p>
        </main>
      </body>
    </html>
  );
}
