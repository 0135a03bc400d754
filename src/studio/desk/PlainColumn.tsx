'use client';
import { change } from '@/core/scene/edits';
import type { PlainArt } from '@/core/scene/records/sprite';
import { useGesture } from '../controls/FieldOf';
import { Column } from '../controls/Column';
import { ColourField } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { useScene, useStudio } from '../context';

/** What a flat is: its colour and its size. */
export function PlainColumn({ ids }: { ids: string[] }) {
  const studio = useStudio();
  const all = useScene(({ scene }) => ids.flatMap((id) => scene.sprites[id]?.plain ?? []));
  const plain = all.at(0);
  const gesture = useGesture(studio, 'Change a flat');
  if (!plain) return null;
  const differs = (field: keyof PlainArt) => all.some((one) => one[field] !== plain[field]);
  const edits = (fields: Partial<PlainArt>) =>
    ids.flatMap((id) => {
      const { kept } = studio.scenes;
      const own = kept.sprites[id]?.plain;
      return own ? (change(kept, 'sprites', id, { plain: { ...own, ...fields } }) ?? []) : [];
    });
  const preview = (fields: Partial<PlainArt>) => gesture.preview(edits(fields));
  const commit = (fields: Partial<PlainArt>) => {
    if (fields.colour) studio.desk.setState({ flatColour: fields.colour });
    gesture.commit(edits(fields));
  };
  return (
    <Column title="Flat">
      <ColourField
        label="Colour"
        value={plain.colour}
        differs={differs('colour')}
        onPreview={(colour) => preview({ colour })}
        onCommit={(colour) => commit({ colour })}
      />
      {(['widthPx', 'heightPx'] as const).map((field) => (
        <ValueField
          key={field}
          label={field === 'widthPx' ? 'Wide' : 'High'}
          value={plain[field]}
          differs={differs(field)}
          low={1}
          high={1024}
          whole
          unit="px"
          logarithmic
          onPreview={(value) => preview({ [field]: value })}
          onCommit={(value) => commit({ [field]: value })}
          onCancel={gesture.cancel}
        />
      ))}
    </Column>
  );
}
