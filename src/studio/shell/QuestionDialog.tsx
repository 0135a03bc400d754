'use client';
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import type { ReactNode } from 'react';
import { ImagePicture } from '../controls/ImagePicture';
import { useDesk } from '../context';
import type { Answer, Question, QuestionKind, Told } from '../store/questions';

interface QuestionWords<K extends QuestionKind> {
  title(told: Told<K>): string;
  body(told: Told<K>): ReactNode;
  /** From left to right. */
  answers: readonly (readonly [answer: Answer<K>, words: string])[];
  /** What Escape and a press beside the dialog answer; its key has the focus. */
  leaving: Answer<K>;
}

/** Of so many scenes the names are listed. */
const NAMED = 8;

const WORDS: { [K in QuestionKind]: QuestionWords<K> } = {
  size: {
    title: ({ name }) => `${name} has another size`,
    body: ({ from, to }) => (
      <p className="text-ash">
        It is there with {from.widthPx} × {from.heightPx} px; the new picture has {to.widthPx} × {to.heightPx}{' '}
        px. In its place, recipe and strokes stay, strokes at their places from the upper left.
      </p>
    ),
    answers: [
      ['exchange', 'Exchange the art'],
      ['beside', 'Import it beside'],
      ['leave', 'Leave it'],
    ],
    leaving: 'leave',
  },
  painting: {
    title: ({ name, layers }) => `${name}: ${layers === 1 ? 'one layer' : `${layers} layers`}`,
    body: () => (
      <p className="text-ash">
        Scenery is best put on planes, each layer on one of its own. The parts of one figure hang on its
        lowest layer and move with it. Places and opacity are kept either way.
      </p>
    ),
    answers: [
      ['planes', 'As planes'],
      ['figure', 'As one figure'],
      ['shelf', 'Only on the shelf'],
    ],
    leaving: 'shelf',
  },
  orientation: {
    title: ({ name }) => `Which way does the green of ${name}'s normals point?`,
    body: ({ name, up, down, found }) => (
      <>
        <p className="text-ash">
          The light comes from the upper left. In the right one of these pictures the sides that face it are
          bright, and what is raised looks raised.
        </p>
        <div className="my-2 grid grid-cols-2 gap-3">
          {(['up', 'down'] as const).map((way) => (
            <figure key={way} className="flex min-w-0 flex-col items-center gap-1 bg-soot p-2">
              <ImagePicture
                image={way === 'up' ? up : down}
                name={`${name} with green as Y ${way}`}
                className="h-[200px] w-full"
              />
              <figcaption>Y {way}</figcaption>
            </figure>
          ))}
        </div>
        {found && <p className="text-ash">Measured: {found}.</p>}
      </>
    ),
    answers: [
      ['up', 'Y up'],
      ['down', 'Y down'],
      ['leave', 'Leave it'],
    ],
    leaving: 'leave',
  },
  frames: {
    title: ({ name }) => `Frames of ${name} are in use`,
    body: ({ loss, scenes }) => (
      <ul className="text-ash">
        {loss.cells > 0 && <li>{counted(loss.cells, 'painted tile')} of frames that go would be empty.</li>}
        {loss.sprites > 0 && (
          <li>{counted(loss.sprites, 'sprite')} would show the first frame instead of one that goes.</li>
        )}
        {loss.outlines > 0 && (
          <li>{counted(loss.outlines, 'outline')} of frames that go would be deleted.</li>
        )}
        {loss.brackets > 0 && (
          <li>{counted(loss.brackets, 'place')} of brackets in frames that go would be deleted.</li>
        )}
        {scenes.length > 0 && (
          <li>
            {scenes.slice(0, NAMED).join(', ')}
            {scenes.length > NAMED && ` and ${scenes.length - NAMED} more scenes`}: sprites, tiles and gobos
            there keep the numbers of their frames, and may show another picture.
          </li>
        )}
      </ul>
    ),
    answers: [
      ['change', 'Change the frames'],
      ['keep', 'Leave them'],
    ],
    leaving: 'keep',
  },
  bin: {
    title: ({ count }) => `Delete ${counted(count, 'artwork')} for good?`,
    body: ({ used }) => (
      <>
        {used.length > 0 && <p>Still shown:</p>}
        <ul>
          {used.slice(0, NAMED).map(({ name, scenes }, i) => (
            <li key={i} className="truncate">
              {name} <span className="text-ash">in {scenes.join(', ')}</span>
            </li>
          ))}
          {used.length > NAMED && <li className="text-ash">and {used.length - NAMED} more</li>}
        </ul>
        <p className="mt-2 text-ash">
          What is made of them goes too, in this scene. Undo brings all of it back.
        </p>
      </>
    ),
    answers: [
      ['delete', 'Empty the bin'],
      ['keep', 'Keep them'],
    ],
    leaving: 'keep',
  },
  deletion: {
    title: ({ name, scenes }) =>
      `${name} is used in ${scenes.length === 1 ? 'another scene' : `${scenes.length} other scenes`}`,
    body: ({ scenes }) => (
      <>
        <ul>
          {scenes.slice(0, NAMED).map((scene, i) => (
            <li key={i} className="truncate">
              {scene}
            </li>
          ))}
          {scenes.length > NAMED && <li className="text-ash">and {scenes.length - NAMED} more</li>}
        </ul>
        <p className="mt-2 text-ash">
          If you delete it, whatever was made of it there shows nothing and is counted among the snags of that
          scene. Undo brings it back everywhere.
        </p>
      </>
    ),
    answers: [
      ['delete', 'Delete it all the same'],
      ['keep', 'Keep it'],
    ],
    leaving: 'keep',
  },
};

function counted(count: number, what: string): string {
  return `${count} ${what}${count === 1 ? '' : 's'}`;
}

/** Asks what somebody has to decide before work goes on. */
export function QuestionDialog() {
  const question = useDesk((state) => state.question);
  return (
    question && <Asked question={question} words={WORDS[question.kind] as QuestionWords<QuestionKind>} />
  );
}

function Asked({ question, words }: { question: Question; words: QuestionWords<QuestionKind> }) {
  const { tells, answer } = question;
  return (
    <Dialog open onClose={() => answer(words.leaving)} className="relative z-50">
      <div className="fixed inset-0 flex items-center justify-center bg-black/60 p-4">
        <DialogPanel className="w-[500px] border border-rail bg-slate p-4">
          <DialogTitle className="text-large">{words.title(tells)}</DialogTitle>
          <div className="my-2">{words.body(tells)}</div>
          <div className="flex justify-end gap-2">
            {words.answers.map(([given, label]) => (
              <button
                key={given}
                type="button"
                className="key"
                autoFocus={given === words.leaving}
                onClick={() => answer(given)}
              >
                {label}
              </button>
            ))}
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
