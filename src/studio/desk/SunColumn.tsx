'use client';
import type { Followed, SkyBody } from '@/core/time/sky-fields';
import { BenchLink } from '../controls/BenchLink';
import { Column } from '../controls/Column';
import { Row } from '../controls/small';
import { useStudio } from '../context';
import { useDayNow } from '../time/use-day-now';
import type { LookAdapter } from './look-adapter';
import { LookChoice, LookNumber } from './LookFields';

const FOLLOWED_WORDS: Record<Followed, string> = { nothing: 'Nothing', sun: 'The sun', moon: 'The moon' };

export function SunColumn({ of }: { of: LookAdapter }) {
  return (
    <Column title="Direction">
      <FollowsRows of={of} lowest={-10} />
    </Column>
  );
}

/** Where parallel light comes from: its own bearing and altitude, or where the sun or the moon stands. */
export function FollowsRows({ of, lowest }: { of: LookAdapter; lowest: number }) {
  const { follows } = of.look;
  return (
    <>
      <LookChoice of={of} field="follows" label="Follows" words={FOLLOWED_WORDS} />
      {follows === 'nothing' ? (
        <>
          <LookNumber of={of} field="bearingDeg" label="Bearing" low={-180} high={180} unit="°" digits={0} />
          <LookNumber
            of={of}
            field="altitudeDeg"
            label="Altitude"
            low={lowest}
            high={90}
            unit="°"
            digits={0}
          />
        </>
      ) : (
        <SkyRows body={follows} />
      )}
    </>
  );
}

/** Where what a light follows stands at this hour, and the way to where that is set. */
function SkyRows({ body }: { body: SkyBody }) {
  const studio = useStudio();
  const { altitudeDeg, azimuthDeg } = useDayNow(() =>
    studio.day().sky.at(body, studio.live.getState().clockHours),
  );
  const level = useDayNow(() => {
    const name = body === 'sun' ? 'sunLevel' : 'moonLevel';
    return studio.day().number(name, studio.live.getState().clockHours);
  });
  return (
    <>
      <Row label="Altitude">
        <span className="figure">{altitudeDeg.toFixed(1)}°</span>
      </Row>
      <Row label="Compass">
        <span className="figure">{azimuthDeg.toFixed(0)}°</span>
      </Row>
      <Row label="">
        <BenchLink bench="time" className="text-brass" onGo={() => studio.desk.setState({ timePart: 'sky' })}>
          Set its way
        </BenchLink>
      </Row>
      {altitudeDeg <= 0 && <p className="text-small text-ash">It is below the horizon at this hour.</p>}
      {level !== null && (
        <p className="text-small text-ash">The cues hold its level: {level.toFixed(2)} now.</p>
      )}
    </>
  );
}
