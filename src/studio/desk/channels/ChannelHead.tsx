'use client';
import { useStore } from 'zustand';
import { optionsOf, Select } from '../../controls/Select';
import { useDesk, useStudio } from '../../context';
import type { ChannelFold, ChannelOrder } from '../../store/channels';

const ORDER_WORDS: Record<ChannelOrder, string> = {
  desk: 'As placed',
  place: 'Left to right',
  name: 'By name',
  cost: 'By cost',
};
const FOLD_WORDS: Record<ChannelFold, string> = {
  none: 'Unfolded',
  luminaire: 'By luminaire',
  set: 'By set',
};

/** What is looked for among the channels, in which order they stand, and what is folded into one. */
export function ChannelHead({ count }: { count: number }) {
  const studio = useStudio();
  const { channelOrder, channelFold } = useStore(studio.preferences);
  const query = useDesk((state) => state.channelQuery);
  return (
    <div className="flex h-[24px] shrink-0 items-center gap-2 border-b border-line px-2">
      <input
        type="search"
        aria-label="Find a channel"
        placeholder="Find a channel"
        className="field min-w-0 flex-1"
        value={query}
        onChange={(event) => studio.desk.setState({ channelQuery: event.currentTarget.value })}
        onKeyDown={(event) => {
          if (event.key === 'Escape') studio.desk.setState({ channelQuery: '' });
          event.stopPropagation();
        }}
      />
      <span className="figure text-ash" title="Channels">
        {count}
      </span>
      <Select
        label="Order of the channels"
        value={channelOrder}
        options={optionsOf(ORDER_WORDS)}
        className="shrink-0"
        onChange={(order) => {
          studio.preferences.setState({ channelOrder: order });
          studio.desk.setState({ channelCosts: studio.costs.getState().shares });
        }}
      />
      <Select
        label="Channels folded into one"
        value={channelFold}
        options={optionsOf(FOLD_WORDS)}
        className="shrink-0"
        onChange={(fold) => studio.preferences.setState({ channelFold: fold })}
      />
    </div>
  );
}
