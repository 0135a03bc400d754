'use client';
import { useState } from 'react';
import { InputFault, wordsOf } from '@/core/faults';
import { readRecipe, type Recipe } from '@/core/relief/recipe';
import { SHELF_RECIPES } from '@/core/relief/shelf';
import { create, remove } from '@/core/scene/edits';
import { Column } from '../../controls/Column';
import { Key, Row } from '../../controls/small';
import { useScene, useStudio } from '../../context';
import { download } from '../../store/download';
import { applyRecipe, fileName } from '../../store/relief-batch';
import { freshId } from '../../store/studio';
import type { RecipeControls } from './recipe-controls';
import { FileKey } from '../../controls/FileKey';

/** Recipes of the shelf: tried on this artwork, applied to many, kept and taken from files. */
export function RecipeColumn({
  controls,
  imageSha,
  picked,
}: {
  controls: RecipeControls;
  imageSha: string;
  /** Ids of the artworks that are picked on the contact sheet. */
  picked: readonly string[];
}) {
  const studio = useStudio();
  const own = useScene((state) =>
    Object.entries(state.scene.recipes)
      .map(([id, { name }]) => ({ id, name }))
      .sort((a, b) => a.name.localeCompare(b.name)),
  );
  const [chosen, setChosen] = useState(SHELF_RECIPES[0].id);
  const [seen, setSeen] = useState<string | null>(null);
  const [name, setName] = useState('');
  const { recipe, keep } = controls;
  const shelved = (): { name: string; recipe: Recipe } | null =>
    SHELF_RECIPES.find(({ id }) => id === chosen) ?? studio.scene.recipes[chosen] ?? null;
  const isOwn = own.some(({ id }) => id === chosen);
  const choose = async () => {
    const looked = await studio.workers.run((remote) => remote.chooseRecipe(imageSha));
    setSeen(`${looked.seen}: ${looked.chosen}`);
    keep(looked.recipe, 'Choose a recipe by looking');
  };
  const applyToMany = () => {
    const from = shelved();
    if (!from) return;
    applyRecipe(studio, `Apply ${from.name} to ${picked.length}`, picked, readRecipe(from.recipe)).catch(
      (thrown: unknown) => studio.say(wordsOf(thrown)),
    );
  };
  const shelve = () => {
    const id = freshId();
    const words = name.trim() || `Recipe ${own.length + 1}`;
    studio.scenes.transact({
      label: 'Keep a recipe',
      edits: [create('recipes', id, { name: words, recipe })],
    });
    setChosen(id);
    setName('');
  };
  const take = async (file: File) => {
    try {
      const value: unknown = JSON.parse(await file.text());
      keep(readRecipe(value), `Recipe of ${file.name}`);
    } catch (thrown) {
      const words = thrown instanceof InputFault ? wordsOf(thrown) : 'It is not JSON.';
      studio.say(`${file.name} was not imported: ${words}`);
    }
  };
  return (
    <Column title="Recipes" wide>
      <select
        aria-label="Recipe of the shelf"
        className="key mb-1 w-full bg-iron"
        value={chosen}
        onChange={(event) => setChosen(event.currentTarget.value)}
      >
        {own.length > 0 && (
          <optgroup label="Of this project" className="bg-slate">
            {own.map(({ id, name: words }) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </optgroup>
        )}
        <optgroup label="With Oilwick" className="bg-slate">
          {SHELF_RECIPES.map(({ id, name: words }) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
        </optgroup>
      </select>
      <div className="mb-1 flex flex-wrap gap-1">
        <Key onClick={() => keep(readRecipe(shelved()?.recipe ?? {}), 'Recipe of the shelf')}>Apply here</Key>
        <Key disabled={picked.length === 0} onClick={applyToMany}>
          Apply to {picked.length} picked
        </Key>
        {isOwn && (
          <Key
            onClick={() => {
              studio.scenes.transact({
                label: 'Delete a recipe',
                edits: [remove(studio.scene, 'recipes', chosen)],
              });
              setChosen(SHELF_RECIPES[0].id);
            }}
          >
            Delete
          </Key>
        )}
      </div>
      <Row label="Keep as">
        <input
          aria-label="Name of the recipe"
          className="field min-w-0 flex-1 border-line px-1"
          value={name}
          placeholder={`Recipe ${own.length + 1}`}
          onChange={(event) => setName(event.currentTarget.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') shelve();
            event.stopPropagation();
          }}
        />
        <Key onClick={shelve}>Keep</Key>
      </Row>
      <div className="mt-1 flex flex-wrap gap-1">
        <Key onClick={() => void choose()}>Suggest a recipe</Key>
        <Key
          name="To file: save the recipe"
          onClick={() => {
            const text = `${JSON.stringify(recipe, null, 2)}\n`;
            const file = `${fileName(shelved()?.name ?? 'recipe')}.json`;
            download(file, new TextEncoder().encode(text), 'application/json');
          }}
        >
          To file
        </Key>
        <FileKey name="Recipe file" accept="application/json,.json" onFiles={([file]) => void take(file)}>
          From file
        </FileKey>
      </div>
      {seen && <p className="text-small text-ash">Seen: {seen}</p>}
    </Column>
  );
}
