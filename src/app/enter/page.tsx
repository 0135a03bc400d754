/** Asks for the access key of a server that can be asked from elsewhere. */
export default async function Page({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { to, wrong } = await searchParams;
  return (
    <main className="flex h-full flex-col items-center justify-center gap-4">
      <h1 className="text-large">Oilwick</h1>
      <form method="post" action="/api/entry" className="flex flex-col gap-2">
        <input type="hidden" name="to" value={typeof to === 'string' ? to : '/'} />
        <label className="flex flex-col gap-1 text-ash">
          Access key
          <input
            className="field w-72 text-bone"
            type="password"
            name="key"
            autoComplete="current-password"
            autoFocus
            required
            aria-invalid={wrong !== undefined}
            aria-describedby="key-help"
          />
        </label>
        <p id="key-help" role={wrong === undefined ? undefined : 'alert'} className="text-ash">
          {wrong === undefined
            ? 'Whoever runs this server has it.'
            : 'That is not the access key of this server.'}
        </p>
        <button type="submit" className="key self-start">
          Enter
        </button>
      </form>
    </main>
  );
}
