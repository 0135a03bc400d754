/** Scenes with everything that can stand in one: stored, patched, bundled, read from older versions, found by what they use. */
import { deflateSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { bundlePictures, readBundle, writeBundle } from '@/core/handoff/bundle';
import { readLayeredPainting } from '@/core/handoff/open-raster';
import { packFiles, unpackFiles } from '@/core/handoff/zip';
import { renderReference } from '@/core/light/reference';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { emptyImage } from '@/core/raster/image';
import { encodePng } from '@/core/raster/png';
import { withHeaderSize } from '@/core/raster/testing/hand-made-png';
import type { SceneDocument } from '@/core/scene/document';
import { applyEdits, change, remove } from '@/core/scene/edits';
import { newScene } from '@/core/scene/new-scene';
import { newTable } from '@/core/scene/records/colour-table';
import { newLook } from '@/core/scene/records/look';
import { fullScene } from '@/core/scene/testing';
import { blobOf, keepBlob, sha256Of } from './queries/blobs';
import { keepBundle, keepDocument } from './queries/bundles';
import { copyProject, makeProject } from './queries/projects';
import { patchScene } from './queries/patches';
import { openScene } from './queries/scenes';
import { usesOf } from './queries/uses';
import { testDatabase } from './testing/database';
import { at } from './testing/samples';

testDatabase();

/** The full scene with real pictures, a different one for each artwork; what no one uses is left out. */
function pictured(): { document: SceneDocument; pictures: Map<string, Uint8Array> } {
  const document = fullScene();
  const pictures = new Map<string, Uint8Array>();
  Object.values(document.artworks).forEach((artwork, i) => {
    const image = emptyImage(artwork.widthPx, artwork.heightPx);
    for (let p = 0; p < image.data.length; p += 4) image.data.set([40 * i + 60, (p >> 2) % 256, 90, 255], p);
    const bytes = encodePng(image);
    artwork.imageSha = sha256Of(bytes);
    pictures.set(artwork.imageSha, bytes);
  });
  delete document.artworks.spare;
  return { document, pictures };
}

async function kept(): Promise<{ projectId: string; id: string; document: SceneDocument }> {
  const { document, pictures } = pictured();
  for (const bytes of pictures.values()) await keepBlob(bytes, 'image/png');
  const projectId = await makeProject('Project');
  return { projectId, id: await keepDocument(projectId, 'Scene', document), document };
}

describe('a scene with everything', () => {
  it('comes back as it was stored, its luminaires with the project', async () => {
    const { projectId, id, document } = await kept();
    expect((await openScene(id)).document).toEqual(document);
    const copyId = await copyProject(projectId, 'Copy');
    expect(copyId).not.toBe(projectId);
  });

  it('is patched in all its collections, and what does not fit is refused by its field', async () => {
    const { id, document } = await kept();
    const edits = [
      change(document, 'lamps', 'carried', { overrides: { glow: { colour: '#00ff00' } } })!,
      change(document, 'luminaires', 'lantern', { name: 'Storm lantern' })!,
      change(document, 'chunks', 'c', { cells: document.chunks.c.cells.with(5, 2) })!,
      change(document, 'planes', 'plane-middle', { overlay: true })!,
      remove(document, 'sets', 'crew'),
    ];
    await patchScene(id, at(1), { transactionId: 'all', edits });
    expect((await openScene(id)).document).toEqual(applyEdits(document, edits));
    const wrong = async (edit: ReturnType<typeof change>, words: RegExp) => {
      await expect(patchScene(id, at(2), { transactionId: String(words), edits: [edit!] })).rejects.toThrow(
        words,
      );
    };
    const { document: now } = await openScene(id);
    await wrong(
      change(now, 'lamps', 'carried', { overrides: { glow: { level: -1 } } }),
      /lamps.carried: overrides/,
    );
    await wrong(change(now, 'chunks', 'c', { cells: [1, 2] }), /chunks.c: cells/);
    await wrong(
      change(now, 'sprites', 'plain', { plain: { colour: 'red', widthPx: 1, heightPx: 1 } }),
      /sprites.plain: plain.colour/,
    );
    expect((await openScene(id)).revision).toBe(2);
  });

  it('is found by the artworks that it shows, by tiles and flames too', async () => {
    const { projectId, id } = await kept();
    const names = async (artworkId: string) =>
      (await usesOf(projectId, 'artworks', artworkId)).map((use) => use.id);
    for (const artworkId of ['man', 'sheet', 'flame']) expect(await names(artworkId)).toEqual([id]);
    expect(await names('nothing')).toEqual([]);
    const { luminaireId } = (await openScene(id)).document.lamps.carried;
    expect((await usesOf(projectId, 'luminaires', luminaireId)).map((use) => use.id)).toEqual([id]);
  });
});

describe('a bundle of everything', () => {
  it('opens in another project as the same scene, and draws the same pixels', async () => {
    const { document, pictures } = pictured();
    const bytes = await writeBundle('Scene', document, pictures, deflateSync);
    const projectId = await makeProject('Second');
    const opened = await openScene(await keepBundle(projectId, 'Opened', bytes));
    expect(opened.document).toEqual(document);
    const drawn = (scene: SceneDocument, source: ReadonlyMap<string, Uint8Array>) =>
      renderReference(
        momentAt(scene, 19, 0.3, NOTHING_PASSING, { ...gateView(scene), widthPx: 160, heightPx: 90 }),
        bundlePictures({ scene, files: source }),
      ).data;
    const read = await readBundle(bytes, sha256Of);
    expect(drawn(read.scene, read.files)).toEqual(drawn(document, pictures));
    const outlines = JSON.parse(new TextDecoder().decode(unpackFiles(bytes)['occluders.json'])) as {
      occluders: { id: string; edges: number[][] }[];
    };
    expect(outlines.occluders.map(({ id }) => id).sort()).toEqual(['man/body', 'o', 'plane-middle']);
  });

  it('brings a changed luminaire beside the one that is there, and its lamps follow their own', async () => {
    const { document, pictures } = pictured();
    const bytes = await writeBundle('Scene', document, pictures, deflateSync);
    const projectId = await makeProject('Second');
    const first = await openScene(await keepBundle(projectId, 'First', bytes));
    const edit = change(first.document, 'luminaires', 'lantern', { name: 'Changed' })!;
    await patchScene(first.id, at(1), { transactionId: 'changed', edits: [edit] });
    const second = await openScene(await keepBundle(projectId, 'Second', bytes));
    const { luminaireId } = second.document.lamps.carried;
    expect(luminaireId).not.toBe('lantern');
    expect(second.document.luminaires[luminaireId].name).toBe('Lantern');
    expect(second.document.luminaires.lantern.name).toBe('Changed');
  });
});

describe('a bundle with a finish', () => {
  it('keeps its lookup table as text, and brings a look and a table that differ beside those that are there', async () => {
    const cube = (low: number) => new TextEncoder().encode(`LUT_1D_SIZE 2\n${low} 0 0\n1 1 1\n`);
    const bundleOf = (low: number) => {
      const file = cube(low);
      const scene = newScene();
      scene.tables = {
        t: newTable({ name: 'Table', order: 'a', fileSha: sha256Of(file), format: 'cube' }),
      };
      scene.looks = { l: newLook({ name: 'Look', order: 'a', tableId: 't', saturation: low }) };
      scene.settings.scene = { ...scene.settings.scene, lookId: 'l' };
      return writeBundle('Scene', scene, new Map([[sha256Of(file), file]]), deflateSync);
    };
    const projectId = await makeProject('Finished');
    const first = await openScene(await keepBundle(projectId, 'First', await bundleOf(0.25)));
    expect(first.document.settings.scene.lookId).toBe('l');
    expect(await blobOf(first.document.tables.t.fileSha)).toMatchObject({
      type: 'text/plain',
      bytes: Buffer.from(cube(0.25)),
    });
    const again = await openScene(await keepBundle(projectId, 'Again', await bundleOf(0.25)));
    expect(again.document.settings.scene.lookId).toBe('l');
    const other = (await openScene(await keepBundle(projectId, 'Other', await bundleOf(0.5)))).document;
    const { lookId } = other.settings.scene;
    expect(lookId).not.toBe('l');
    const look = other.looks[lookId!];
    expect([look.saturation, other.looks.l.saturation]).toEqual([0.5, 0.25]);
    expect(look.tableId).not.toBe('t');
    expect(other.tables[look.tableId!].fileSha).toBe(sha256Of(cube(0.5)));
  });
});

describe('a hostile bundle', () => {
  it('with fields of megabytes that nobody knows, or a record of such, is refused by their name', async () => {
    const { document, pictures } = pictured();
    const projectId = await makeProject('Project');
    const long = 'x'.repeat(3 * 1024 * 1024);
    const bundle = (scene: object) => writeBundle('Scene', scene as SceneDocument, pictures, deflateSync);
    await expect(keepBundle(projectId, 'Scene', await bundle({ ...document, notes: long }))).rejects.toThrow(
      /notes/,
    );
    const kept = await keepBundle(projectId, 'Scene', await bundle({ ...document, notes: 'short' }));
    expect((await openScene(kept)).document).toMatchObject({ notes: 'short' });
    const lamps = { ...document.lamps, carried: { ...document.lamps.carried, remark: long } };
    await expect(keepBundle(projectId, 'Scene', await bundle({ ...document, lamps }))).rejects.toThrow(
      /lamps.carried is longer than/,
    );
  });
});

describe('a hostile painting', () => {
  const png = encodePng(emptyImage(2, 2));
  const stack = (layers: string) =>
    new TextEncoder().encode(`<image w="4" h="4"><stack>${layers}</stack></image>`);

  it('of ten thousand layers is refused by their number', () => {
    const many = '<layer name="l" src="data/l.png"/>'.repeat(10_000);
    const bytes = packFiles({ 'stack.xml': stack(many), 'data/l.png': png });
    expect(() => readLayeredPainting(bytes)).toThrow(/at most 200 layers/);
  });

  it('whose layers are larger than all may be together is refused by the layer', () => {
    const huge = withHeaderSize(png, 4096, 4096);
    const many = Array.from({ length: 9 }, (_, i) => `<layer name="l${i}" src="data/l.png"/>`).join('');
    const bytes = packFiles({ 'stack.xml': stack(many), 'data/l.png': huge });
    expect(() => readLayeredPainting(bytes)).toThrow(/l0.*(unpack|pixels|size|promises)/i);
  });

  it('whose layers lead out of the archive is refused by the file that is not there', () => {
    const bytes = packFiles({ 'stack.xml': stack('<layer name="l" src="../../etc/passwd"/>') });
    expect(() => readLayeredPainting(bytes)).toThrow(/which is not there/);
  });

  it('keeps the opacity of its layers and of the groups around them', () => {
    const group =
      '<stack opacity="0.5"><layer name="l" src="data/l.png" opacity="0.5" visibility="hidden"/></stack>';
    const { layers } = readLayeredPainting(packFiles({ 'stack.xml': stack(group), 'data/l.png': png }));
    expect(layers[0]).toMatchObject({ opacity: 0.25, hidden: true });
  });
});
