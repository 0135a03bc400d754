/** Bad input of all kinds at once: each is refused in words and in time, others are answered meanwhile, memory stays bounded. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { crc32, deflateRawSync } from 'node:zlib';
import { expect, test } from '@playwright/test';
import { newScene } from '../../src/core/scene/new-scene';
import { newArtwork } from '../../src/core/scene/records/artwork';
import { handMadePng, withHeaderSize } from '../../src/core/raster/testing/hand-made-png';
import { hash2 } from '../../src/core/time/noise';
import { migrate } from '../../src/server/database/migrate';
import { startOwnMariadb } from '../../src/server/mariadb/own-mariadb';
import { sha256Of } from '../../src/server/queries/blobs';
import { askDatabase } from '../../src/server/testing/connections';
import { freshScene } from '../../src/server/testing/samples';
import { ServerProcess } from '../../src/server/testing/server-process';
import { pause } from '../../src/server/testing/writers';

const ROUNDS = Number(process.env.OILWICK_FLOODS ?? 1);
/** An answer to any one of them, and to a question whether all is well, comes within these, ms; beside other tests later. */
const ANSWER_MS = 60_000;
const HEALTH_MS = process.env.OILWICK_FLOODS ? 3000 : 15_000;
/** The most memory that the server process ever takes, MB. */
const MEMORY_MB = 2000;
const MB = 1024 * 1024;

const text = (value: string) => new TextEncoder().encode(value);

/** An archive of hand-made entries: packed by the system, which is quick enough for hundreds of megabytes. */
function zipped(files: Record<string, Uint8Array>): Buffer {
  const parts: Buffer[] = [];
  for (const [name, bytes] of Object.entries(files)) {
    const packed = deflateRawSync(bytes, { level: 1 });
    const head = Buffer.alloc(30);
    head.writeUInt32LE(0x04034b50, 0);
    head.writeUInt16LE(20, 4);
    head.writeUInt16LE(8, 8);
    head.writeUInt32LE(crc32(bytes), 14);
    head.writeUInt32LE(packed.length, 18);
    head.writeUInt32LE(bytes.length, 22);
    head.writeUInt16LE(Buffer.byteLength(name), 26);
    parts.push(head, Buffer.from(name), packed);
  }
  const end = Buffer.alloc(22);
  end.writeUInt32LE(0x06054b50, 0);
  return Buffer.concat([...parts, end]);
}

const json = (value: unknown) => Buffer.from(JSON.stringify(value));

/** A picture of many pixels in few bytes. */
const largePicture = () => handMadePng([4096, 4096, 1, 0, 0], new Uint8Array((1 + 4096 / 8) * 4096));

/** A bundle of pictures that are many pixels together. */
function bundleOfLargePictures(): Buffer {
  const scene = newScene();
  const first = largePicture();
  const files: Record<string, Uint8Array> = {};
  for (let i = 0; i < 24; i++) {
    const picture = withHeaderSize(first, 4096, 4096 - i);
    const imageSha = sha256Of(picture);
    const art = newArtwork({ name: `Art ${i}`, imageSha, widthPx: 4096, heightPx: 4096, pixelArt: true });
    scene.artworks[`a${i}`] = art;
    files[`art/a${i}.png`] = picture;
  }
  return zipped({ ...files, 'scene.json': text(JSON.stringify(scene)) });
}

interface Flood {
  name: string;
  path: string;
  type?: string;
  method?: string;
  headers?: Record<string, string>;
  body?: Buffer;
  /** What may be answered. */
  statuses: number[];
}

function floods(projectId: string, sceneId: string): Flood[] {
  const bundles = { path: `/api/projects/${projectId}/bundles?name=Flood`, type: 'application/zip' };
  const patches = {
    path: `/api/scenes/${sceneId}/patches`,
    type: 'application/json',
    headers: { 'if-match': '"r1"' },
  };
  const blobs = { path: '/api/blobs', type: 'image/png' };
  const nothing = new Uint8Array(200 * MB);
  const edit = (fields: object) =>
    json({
      transactionId: 'flood-flood',
      edits: [{ collection: 'lights', id: 'l', before: null, after: fields }],
    });
  const small = handMadePng([2, 2, 8, 0, 0], [0, 1, 2, 0, 3, 4]);
  return [
    { name: 'pictures that are many pixels', ...bundles, body: bundleOfLargePictures(), statuses: [422] },
    {
      name: 'a bundle that unpacks to too much',
      ...bundles,
      body: zipped({ 'art/a.png': nothing }),
      statuses: [422],
    },
    {
      name: 'a scene nested without end',
      ...bundles,
      body: zipped({ 'scene.json': text('['.repeat(20 * MB)) }),
      statuses: [422],
    },
    {
      name: 'a field that nobody knows of 100 MB',
      ...bundles,
      body: zipped({ 'scene.json': text(JSON.stringify({ ...newScene(), notes: 'x'.repeat(100 * MB) })) }),
      statuses: [422],
    },
    {
      name: 'a bundle without its end',
      ...bundles,
      body: bundleOfLargePictures().subarray(0, 4000),
      statuses: [422],
    },
    { name: 'a bundle that is none', ...bundles, body: Buffer.alloc(MB, 7), statuses: [422] },
    {
      name: 'a picture that says it is larger',
      ...blobs,
      body: Buffer.from(withHeaderSize(small, 4096, 4096)),
      statuses: [422],
    },
    {
      name: 'a picture that says it is huge',
      ...blobs,
      body: Buffer.from(withHeaderSize(small, 1e6, 1e6)),
      statuses: [422],
    },
    { name: 'a picture that is too large', ...blobs, body: Buffer.alloc(97 * MB), statuses: [413] },
    {
      name: 'a body nested without end',
      ...patches,
      body: Buffer.from('['.repeat(7 * MB)),
      statuses: [422],
    },
    { name: 'a body that is too large', ...patches, body: Buffer.alloc(9 * MB, 32), statuses: [413] },
    {
      name: 'a record that is too long',
      ...patches,
      body: edit({ name: 'x'.repeat(3 * MB) }),
      statuses: [422],
    },
    {
      name: 'a field named as no field may be',
      ...patches,
      body: Buffer.from(
        '{"transactionId":"flood-flood","edits":[{"collection":"lights","id":"__proto__","before":null,"after":{}}]}',
      ),
      statuses: [422],
    },
    {
      name: 'fifty thousand edits of nothing',
      ...patches,
      body: json({ transactionId: 'flood-flood', edits: Array.from({ length: 50_000 }, () => ({})) }),
      statuses: [422],
    },
    { name: 'an odd path', path: '/api/blobs/..%2f..%2f..%2fetc%2fpasswd', method: 'GET', statuses: [404] },
    { name: 'an unreadable path', path: '/api/scenes/%E0%A4%A', method: 'GET', statuses: [400] },
    { name: 'a method that is none', path: '/api/health', method: 'REPORT', statuses: [405] },
    {
      name: 'a stream of ten thousand scenes',
      path: `/api/changes?person=flood-flood&follow=${Array.from({ length: 900 }, (_, i) => `s${i}:1.1`).join(',')}`,
      method: 'GET',
      statuses: [422],
    },
  ];
}

/** A patch that means nothing, by chance. */
function nonsense(seed: number): Buffer {
  let cell = 0;
  const dice = (sides: number) => hash2(seed, cell++) % sides;
  const value = (depth: number): unknown => {
    const values = [
      null,
      true,
      -1,
      1e308,
      '',
      '\u0000',
      'lights',
      'x'.repeat(dice(300)),
      ...(depth > 3 ? [] : [Array.from({ length: dice(5) }, () => value(depth + 1))]),
      ...(depth > 3
        ? []
        : [
            Object.fromEntries(
              ['id', 'collection', 'before', 'after', 'x', 'name', 'constructor'].map((key) => [
                key,
                value(depth + 1),
              ]),
            ),
          ]),
    ];
    return values[dice(values.length)];
  };
  const edits = Array.from({ length: 1 + dice(3) }, () => ({
    collection: dice(3) ? 'lights' : value(2),
    id: dice(3) ? 'l' : value(2),
    before: dice(2) ? null : value(0),
    after: value(0),
  }));
  return json({ transactionId: dice(4) ? `nonsense-${seed}` : value(0), edits: dice(5) ? edits : value(0) });
}

test('floods of bad input are refused in words and in time, while others are answered', async () => {
  test.setTimeout(120_000 + 60_000 * ROUNDS);
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-floods-'));
  const mariadb = await startOwnMariadb(folder);
  const connections = askDatabase(mariadb.url);
  let server: ServerProcess | null = null;
  try {
    await migrate(connections.pool, 'src/server/database/migrations');
    const { projectId, id } = await freshScene();
    // Made before the clocks run.
    const all = floods(projectId, id);
    server = await ServerProcess.start(mariadb.url);
    const { address, pid } = server;
    const send = async (flood: Flood) => {
      const begun = performance.now();
      const answer = await fetch(address + flood.path, {
        method: flood.method ?? 'POST',
        headers: { origin: address, ...(flood.type ? { 'content-type': flood.type } : {}), ...flood.headers },
        ...(flood.body ? { body: new Uint8Array(flood.body) } : {}),
      });
      const said = await answer.text();
      const ms = performance.now() - begun;
      expect({ name: flood.name, status: answer.status, said: said.slice(0, 300) }).toMatchObject({
        status: flood.statuses.includes(answer.status) ? answer.status : flood.statuses,
      });
      expect((JSON.parse(said) as { detail: string }).detail.length).toBeGreaterThan(10);
      expect(ms, flood.name).toBeLessThan(ANSWER_MS);
    };
    const slowest = { health: 0 };
    let isOver = false;
    const watching = (async () => {
      while (!isOver) {
        const begun = performance.now();
        const answer = await fetch(`${address}/api/health`).catch((thrown: Error) => thrown);
        expect(answer instanceof Error ? (answer.cause ?? answer) : answer.status).toBe(200);
        slowest.health = Math.max(slowest.health, performance.now() - begun);
        await pause(50);
      }
    })();
    for (let round = 0; round < ROUNDS; round++) {
      await Promise.all(all.map(send));
      for (let i = 0; i < 200; i += 20)
        await Promise.all(
          Array.from({ length: 20 }, (_, k) =>
            send({
              name: `nonsense ${200 * round + i + k}`,
              path: `/api/scenes/${id}/patches`,
              type: 'application/json',
              headers: { 'if-match': '"r1"' },
              body: nonsense(200 * round + i + k),
              statuses: [422],
            }),
          ),
        );
    }
    isOver = true;
    await watching;
    expect(slowest.health).toBeLessThan(HEALTH_MS);
    const peak = Number(/VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024;
    test.info().annotations.push({
      type: 'figures',
      description: `health ${slowest.health.toFixed(0)} ms, peak ${peak.toFixed(0)} MB`,
    });
    expect(peak).toBeLessThan(MEMORY_MB);
  } finally {
    await server?.end();
    await connections.close();
    await mariadb.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
