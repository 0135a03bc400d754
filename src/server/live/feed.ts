/**
 * Tells those who have scenes open what others change. A process looks once for all of its listeners whether anything is new,
 * by the revisions; so several processes can serve one database. Who is there is noted in the database too.
 */
import type { FeedEvent, Known, Person, PickedName } from '@/core/scene/changes';
import { rowsOf, run, sql, tuples } from '../database/sql';
import { snapshot, withConnection } from '../database/pool';
import { codeOf, isAway, logFault } from '../log';
import { changesSince } from '../queries/changes';

/** How often is looked, ms. */
const LOOK_MS = 250;
/** How often is noted who is there, and how long somebody counts as there who was not noted again, s. */
const NOTE_SECONDS = 4;
const THERE_SECONDS = 12;

export interface Listener {
  sceneId: string;
  known: Known;
  person: Person;
  send(event: FeedEvent): void;
}

interface SceneNow extends Known {
  id: string;
  projectId: string;
}

export class Feed {
  private readonly listeners = new Set<Listener>();
  private timer: ReturnType<typeof setTimeout> | null = null;
  private notedAt = 0;
  /** The code of what failed when it was looked last. */
  private lastFault = '';
  /** Who was told of last, by listener. */
  private readonly told = new WeakMap<Listener, string>();

  /** @returns to be called when the listener goes */
  listen(listener: Listener): () => void {
    this.listeners.add(listener);
    this.notedAt = 0;
    this.timer ??= setTimeout(() => void this.look(), 0);
    return () => {
      this.listeners.delete(listener);
      this.notedAt = 0;
      void this.forget(listener).catch(() => undefined);
    };
  }

  private async look(): Promise<void> {
    try {
      await this.tellChanges();
      if (Date.now() - this.notedAt >= 1000 * NOTE_SECONDS) await this.notePeople();
      await this.tellPeople();
      this.lastFault = '';
    } catch (thrown) {
      // Where the database is away it is looked again, and what came meanwhile is told then. Anything else is written down once.
      if (!isAway(thrown) && codeOf(thrown) !== this.lastFault)
        logFault(thrown, 'listeners could not be told');
      this.lastFault = codeOf(thrown);
    }
    this.timer = this.listeners.size > 0 ? setTimeout(() => void this.look(), LOOK_MS) : null;
  }

  private sceneIds(): string[] {
    return [...new Set([...this.listeners].map(({ sceneId }) => sceneId))];
  }

  private async tellChanges(): Promise<void> {
    const ids = this.sceneIds();
    if (ids.length === 0) return;
    const rows = await withConnection((connection) =>
      rowsOf<{ id: string; project_id: string; revision: number; change_number: number }>(
        connection,
        sql`
        SELECT scene.id, project_id, revision, change_number FROM scene JOIN project ON project.id = project_id
        WHERE scene.id IN ${tuples([ids])}`,
      ),
    );
    const now = new Map(
      rows.map((row): [string, SceneNow] => [
        row.id,
        { id: row.id, projectId: row.project_id, revision: row.revision, changeNumber: row.change_number },
      ]),
    );
    for (const listener of this.listeners) {
      const scene = now.get(listener.sceneId);
      const { known } = listener;
      if (!scene || (scene.revision <= known.revision && scene.changeNumber <= known.changeNumber)) continue;
      await this.tell(listener, scene);
    }
  }

  private async tell(listener: Listener, { id, projectId }: SceneNow): Promise<void> {
    const { known } = listener;
    const changes = await snapshot((connection) =>
      changesSince(connection, { sceneId: id, projectId }, known),
    );
    if (!this.listeners.has(listener)) return;
    if (changes === null) {
      listener.send({ kind: 'reload' });
      this.listeners.delete(listener);
      return;
    }
    const last = (values: (number | null)[], from: number) =>
      values.reduce<number>((most, value) => Math.max(most, value ?? 0), from);
    listener.known = {
      revision: last(
        changes.map(({ revision }) => revision),
        known.revision,
      ),
      changeNumber: last(
        changes.map(({ changeNumber }) => changeNumber),
        known.changeNumber,
      ),
    };
    if (changes.length > 0) listener.send({ kind: 'changes', changes, ...listener.known });
  }

  /** Says to all processes who listens here. */
  private async notePeople(): Promise<void> {
    this.notedAt = Date.now();
    const { listeners } = this;
    if (listeners.size === 0) return;
    await withConnection(async (connection) => {
      // The columns say their collation: which one they have else is not the same in every patch of MariaDB.
      const there = [...listeners].map(({ sceneId, person }) => [sceneId, person.id, person.name]);
      await run(
        connection,
        sql`
        INSERT INTO presence (scene_id, client_id, name, seen_at)
        SELECT given.scene_id, given.client_id, given.name, CURRENT_TIMESTAMP(3) FROM JSON_TABLE(${JSON.stringify(there)}, '$[*]'
          COLUMNS (
            scene_id VARCHAR(64) CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci PATH '$[0]',
            client_id VARCHAR(64) CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci PATH '$[1]',
            name VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci PATH '$[2]'
          )) AS given
        JOIN scene ON scene.id = given.scene_id
        ON DUPLICATE KEY UPDATE name = given.name, seen_at = CURRENT_TIMESTAMP(3)`,
      );
      await run(
        connection,
        sql`DELETE FROM presence WHERE seen_at < CURRENT_TIMESTAMP(3) - INTERVAL ${THERE_SECONDS} SECOND`,
      );
    });
  }

  /** Tells everybody who else is there, and what they have picked, where that is another than before. */
  private async tellPeople(): Promise<void> {
    const ids = this.sceneIds();
    if (ids.length === 0) return;
    const rows = await withConnection((connection) =>
      rowsOf<{ scene_id: string; client_id: string; name: string; picked: string }>(
        connection,
        sql`
        SELECT scene_id, client_id, name, picked FROM presence WHERE scene_id IN ${tuples([ids])} ORDER BY client_id`,
      ),
    );
    for (const listener of this.listeners) {
      const people = rows
        .filter((row) => row.scene_id === listener.sceneId && row.client_id !== listener.person.id)
        .map(({ client_id, name, picked }) => ({
          ...{ id: client_id, name, picked: JSON.parse(picked) as PickedName[] },
        }));
      const text = JSON.stringify(people);
      if (this.told.get(listener) === text) continue;
      this.told.set(listener, text);
      listener.send({ kind: 'people', people });
    }
  }

  /** Somebody who left is not there any more at once. */
  private async forget({ sceneId, person }: Listener): Promise<void> {
    const isStillThere = [...this.listeners].some(
      (other) => other.sceneId === sceneId && other.person.id === person.id,
    );
    if (isStillThere) return;
    await withConnection((connection) =>
      run(connection, sql`DELETE FROM presence WHERE scene_id = ${sceneId} AND client_id = ${person.id}`),
    );
  }
}

/** Kept on the global object, so that every bundle of the server shares one. */
const shared = globalThis as typeof globalThis & { oilwickFeed?: Feed };

export function feed(): Feed {
  return (shared.oilwickFeed ??= new Feed());
}
