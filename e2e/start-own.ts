import { spawn, type ChildProcess } from 'node:child_process';

/** An application of its own, that can be killed. */
export async function startOwn(
  folder: string,
  more: Record<string, string> = {},
): Promise<{ address: string; child: ChildProcess }> {
  const child = spawn(process.execPath, ['.oilwick/build/start.mjs', '--port', '0'], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, OILWICK_DATA_DIR: folder, ...more },
  });
  const address = await new Promise<string>((resolve, reject) => {
    child.stdout!.on('data', (chunk) => {
      const match = /(?:ready|already): (http\S+)/.exec(String(chunk));
      if (match) resolve(match[1]);
    });
    child.on('exit', () => reject(new Error('it did not start')));
  });
  return { address, child };
}
