'use client';
import { inOrder } from '@/core/scene/document';
import { READY_WICKS } from '@/core/time/ready-wicks';
import { BayColumns } from '../controls/BayColumns';
import { Column } from '../controls/Column';
import { NameField } from '../controls/NameField';
import { Choice, Key } from '../controls/small';
import { useDesk, useScene, useStudio } from '../context';
import { addWick, deleteWick, duplicateWick, putLuminaireOnWick, putOnWick } from '../store/wick-edits';
import { WickOutputColumn } from '../desk/WickOutputColumn';
import { inOrderOfName } from '../desk/use-fields';
import { useWick } from '../desk/use-wick';
import { WickChart } from '../desk/WickChart';
import { WickKindFields } from '../desk/WickFields';
import { WickTrace } from '../desk/WickTrace';

/** Wicks, and the lights that burn by them. */
export function WickPart() {
  const studio = useStudio();
  const wicks = useScene((state) =>
    Object.entries(state.scene.wicks).map(([id, { name }]) => ({ id, name })),
  );
  const chosen = useDesk((state) => state.wickId);
  const setChosen = (id: string | null) => studio.desk.setState({ wickId: id });
  const wickId = chosen && wicks.some(({ id }) => id === chosen) ? chosen : (wicks[0]?.id ?? null);
  const lights = useScene((state) =>
    inOrder(state.scene.lights).flatMap(([id, light]) =>
      light.wickId !== null && light.wickId === wickId ? [{ id, name: light.name }] : [],
    ),
  );
  const fields = useWick(wickId, lights[0]?.id ?? '');
  return (
    <BayColumns>
      <Column title="Wicks" aside={`${wicks.length}`}>
        <div className="flex flex-col gap-1 overflow-y-auto">
          <Choice<string>
            label="New"
            value=""
            options={[
              ['', 'choose one'],
              ...READY_WICKS.map(({ name }, place) => [String(place), name] as const),
            ]}
            onChange={(place) => {
              if (place !== '') setChosen(addWick(studio, studio.pickedOf('lights'), Number(place)));
            }}
          />
          {wicks.map(({ id, name }) => (
            <button
              key={id}
              type="button"
              className="key text-left"
              data-picked={wickId === id}
              onClick={() => setChosen(id)}
            >
              {name}
            </button>
          ))}
          {wickId && (
            <div className="row flex gap-1">
              <Key onClick={() => setChosen(duplicateWick(studio, wickId))}>Duplicate</Key>
              <Key
                title="Lights on it burn steadily then"
                onClick={() => {
                  setChosen(null);
                  deleteWick(studio, wickId);
                }}
              >
                Delete
              </Key>
            </div>
          )}
          {wicks.length === 0 && (
            <p className="text-ash">
              A wick makes a light flicker. Pick lights on the Stage first to put them on it.
            </p>
          )}
        </div>
      </Column>
      {wickId && fields && (
        <>
          <Column title="Wick" wide="very" aside={<WickName wickId={wickId} />}>
            <WickChart wickId={wickId} lightId={lights[0]?.id ?? ''} />
            <WickKindFields {...fields} />
          </Column>
          <WickOutputColumn {...fields} />
          <LightsOnWick wickId={wickId} lights={lights} />
        </>
      )}
    </BayColumns>
  );
}

/** Who burns on a wick, each with its trace; what is picked, or a whole luminaire, is put on it. */
function LightsOnWick({
  wickId,
  lights,
}: {
  wickId: string;
  lights: readonly { id: string; name: string }[];
}) {
  const studio = useStudio();
  const picked = useScene((state) =>
    state.selection.filter(({ collection }) => collection === 'lights' || collection === 'lamps'),
  );
  const luminaires = useScene(({ scene }) =>
    inOrderOfName(scene.luminaires).map(([id, { name }]) => [id, name] as const),
  );
  const ids = (collection: 'lights' | 'lamps') =>
    picked.filter((one) => one.collection === collection).map(({ id }) => id);
  return (
    <section aria-label="Lights on this wick" className="min-w-[220px] flex-1">
      <h3 className="heading">Lights on this wick</h3>
      <div className="flex flex-wrap items-center gap-1">
        {picked.length > 0 && (
          <Key onClick={() => putOnWick(studio, wickId, ids('lights'), ids('lamps'))}>
            Put {picked.length} picked on it
          </Key>
        )}
        {luminaires.length > 0 && (
          <Choice<string>
            label="Luminaire"
            value=""
            options={[['', 'put one on it'], ...luminaires]}
            onChange={(id) => id !== '' && putLuminaireOnWick(studio, wickId, id)}
          />
        )}
      </div>
      {lights.map(({ id, name }) => (
        <div key={id} className="flex items-center gap-2">
          <button
            type="button"
            className="w-[110px] shrink-0 cursor-pointer truncate text-left"
            title={name}
            onClick={() => studio.pick({ collection: 'lights', id })}
          >
            {name}
          </button>
          <WickTrace of={{ collection: 'lights', id }} seconds={8} className="h-[30px] min-w-0 flex-1" />
        </div>
      ))}
    </section>
  );
}

function WickName({ wickId }: { wickId: string }) {
  const studio = useStudio();
  const name = useScene(({ scene }) => scene.wicks[wickId]?.name ?? '');
  return (
    <NameField
      name={name}
      label="Name of the wick"
      className="w-[150px] text-right"
      onChange={(next) => studio.set('Rename', 'wicks', wickId, { name: next })}
    />
  );
}
