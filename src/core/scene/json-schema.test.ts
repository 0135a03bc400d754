/** The schema that goes with a scene says what the checks say. */
import { readdirSync, readFileSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020';
import { describe, expect, it } from 'vitest';
import type { SceneDocument } from './document';
import { jsonSchema } from './json-schema';
import { newScene } from './new-scene';
import { checkRecord, readScene } from './read-scene';
import { COLLECTION_NAMES, RECORDS, type CollectionName } from './records/all-records';
import { withDefaults } from './records/defaults-of';
import { newCue } from './records/cue';
import { newLight } from './records/light';
import { fullScene } from './testing';
import { newGobo } from './records/light-look';

const ajv = new Ajv2020();
const validate = ajv.compile(jsonSchema());
const fits = (document: unknown) => validate(JSON.parse(JSON.stringify(document)));

type Validator = ReturnType<typeof ajv.compile>;
/** The part of the schema that is about one record, by collection. */
const recordValidators = Object.fromEntries(
  COLLECTION_NAMES.map((name) => {
    const { properties } = jsonSchema() as { properties: Record<string, { additionalProperties: object }> };
    return [name, ajv.compile(properties[name].additionalProperties)];
  }),
) as Record<CollectionName, Validator>;

function isAccepted(collection: CollectionName, id: string, record: unknown): boolean {
  try {
    checkRecord(collection, id, withDefaults(RECORDS[collection].schema, record));
    return true;
  } catch {
    return false;
  }
}

/** Every field of a value, by the way to it. */
function eachField(value: unknown, visit: (path: string[]) => void, path: string[] = []): void {
  if (typeof value !== 'object' || value === null) return;
  // Of long lists the first few are all.
  for (const key of Object.keys(value).slice(0, 60)) {
    visit([...path, key]);
    eachField((value as Record<string, unknown>)[key], visit, [...path, key]);
  }
}

/** A copy of a record in which one field was changed. */
function changed(
  record: unknown,
  path: readonly string[],
  change: (at: Record<string, unknown>, key: string) => void,
): unknown {
  const copy = structuredClone(record);
  let at = copy as Record<string, unknown>;
  for (const key of path.slice(0, -1)) at = at[key] as Record<string, unknown>;
  change(at, path.at(-1)!);
  // As it would come from a file.
  return JSON.parse(JSON.stringify(copy)) as unknown;
}

function everything(): SceneDocument {
  const scene = fullScene();
  scene.cues.dusk = newCue({ clockHours: 19, ambientColour: '#334455' });
  scene.lights.area = newLight({
    ...{ name: 'Door', planeId: 'plane-near', order: 'a', x: 0, y: 0, kind: 'area' },
    outlines: [[0, 0, 9, 0, 9, 9]],
    stops: [{ at: 1, colour: '#ffffff' }],
    gobo: newGobo({ artworkId: 'man', widthPx: 9, heightPx: 9, crisp: true, playing: false }),
    stoppedBy: { planeIds: ['plane-near'], setIds: ['crew'] },
  });
  return scene;
}

describe('the schema of scene.json', () => {
  it('accepts our own scenes', () => {
    expect(fits(newScene()), JSON.stringify(validate.errors)).toBe(true);
    expect(fits(everything()), JSON.stringify(validate.errors)).toBe(true);
    for (const file of readdirSync(new URL('./fixtures', import.meta.url))) {
      const old: unknown = JSON.parse(readFileSync(new URL(`./fixtures/${file}`, import.meta.url), 'utf8'));
      expect(fits(readScene(old)), JSON.stringify(validate.errors)).toBe(true);
    }
  });

  it('names every field with its bounds, its default and what it means', () => {
    const { properties } = jsonSchema() as {
      properties: Record<
        string,
        { additionalProperties: { properties: Record<string, object>; required: string[] } }
      >;
    };
    const lights = properties.lights.additionalProperties;
    const light = newLight({ name: '', planeId: 'p', order: 'a', x: 0, y: 0 });
    expect(Object.keys(lights.properties).sort()).toEqual(Object.keys(light).sort());
    expect(lights.properties.level).toEqual({
      type: 'number',
      description: 'Strength; 1 is the paper white of the art',
      default: 1.5,
      minimum: 0,
      maximum: 256,
    });
    expect(lights.properties.curve).toMatchObject({
      enum: ['straight', 'eased', 'natural', 'even', 'drawn'],
    });
    expect(lights.required.sort()).toEqual(['name', 'order', 'planeId', 'x', 'y']);
    expect(properties.sprites.additionalProperties.properties.answer).toMatchObject({
      type: ['string', 'null'],
      enum: ['shaded', 'self-lit', 'seen-when-lit', null],
      default: null,
    });
  });

  it('and the checks agree about every field: left out, null, of another type, far out of its bounds', () => {
    const disagreements: string[] = [];
    let count = 0;
    for (const [collection, records] of Object.entries(everything())) {
      const [first] = typeof records === 'object' ? Object.entries(records as object) : [];
      if (!first) continue;
      const [id, record] = first as [string, unknown];
      const name = collection as CollectionName;
      eachField(record, (path) => {
        const put = (value: unknown) => changed(record, path, (at, key) => (at[key] = value));
        const trials = {
          'left out': changed(record, path, (at, key) => delete at[key]),
          null: put(null),
          'of another type': put({ odd: true }),
          'a long text': put('x'.repeat(500)),
          'a large number': put(1e9),
          'a fraction far below zero': put(-1e9 - 0.5),
          'a fraction within its bounds': changed(record, path, (at, key) => {
            if (typeof at[key] === 'number') at[key] = 0.5 + Math.floor(at[key]);
          }),
        };
        for (const [what, trial] of Object.entries(trials)) {
          const isFit = recordValidators[name](trial);
          if (isFit !== isAccepted(name, id, trial))
            disagreements.push(`${collection}.${path.join('.')} ${what}: ${isFit}`);
        }
        count++;
      });
    }
    expect(count).toBeGreaterThan(300);
    // What a schema cannot say: points in pairs and triples, rising shares, ends of a foot, orders by code unit.
    expect(
      disagreements.filter((words) => !/\.(outlines|drawnCurve|foot|points)(\.|\b)/.test(words)),
    ).toEqual([]);
  });

  it('has every collection', () => {
    const { required } = jsonSchema() as { required: string[] };
    expect(required).toEqual(['format', 'version', ...COLLECTION_NAMES]);
  });
});
