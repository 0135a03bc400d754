/** Starts the database again whenever it is gone, for as long as the start command runs. */
import { wordsOf } from '@/core/faults';
import { startOwnMariadb, type OwnMariadb } from '../mariadb/own-mariadb';
import { isAlive } from '../mariadb/processes';

/** How often is looked, and how long is waited after a start that failed, ms. */
const LOOK_MS = 500;
const AGAIN_MS = 2000;

export interface KeptRunning {
  /** Ends the database, and with it the looking. */
  stop(): Promise<void>;
}

/**
 * @param own the database as it was started
 * @param say hears what is worth saying
 * @param moved called with the new address where the old port was taken meanwhile
 */
export function keepRunning(
  own: OwnMariadb,
  folder: string,
  { say, moved }: { say(words: string): void; moved(url: string): void },
): KeptRunning {
  let database = own;
  let isOver = false;
  let starting: Promise<void> | null = null;
  let timer = setTimeout(look, LOOK_MS);

  function look(): void {
    if (isAlive(database.pid)) {
      timer = setTimeout(look, LOOK_MS);
      return;
    }
    say('The database ended by itself. It is started again.');
    starting = again().finally(() => {
      starting = null;
      if (!isOver) timer = setTimeout(look, LOOK_MS);
    });
  }

  async function again(): Promise<void> {
    let last = '';
    while (!isOver) {
      try {
        const { url } = database;
        database = await startOwnMariadb(folder);
        say('The database runs again.');
        if (database.url !== url) moved(database.url);
        return;
      } catch (thrown) {
        const words = wordsOf(thrown);
        if (words !== last) say(`${words} It is tried again.`);
        last = words;
        await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
      }
    }
  }

  return {
    async stop() {
      isOver = true;
      clearTimeout(timer);
      await starting;
      await database.stop();
    },
  };
}
