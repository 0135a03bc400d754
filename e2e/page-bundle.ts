import { build } from 'esbuild';

/** A module of ours as one classic script, to be run in a page of its own. */
export async function pageBundle(entry: string): Promise<string> {
  const { outputFiles } = await build({
    entryPoints: [entry],
    bundle: true,
    write: false,
    format: 'iife',
    platform: 'browser',
    target: 'es2022',
    tsconfig: 'tsconfig.json',
  });
  return outputFiles[0].text;
}
