'use client';
import { Component, type ReactNode } from 'react';
import { wordsOf } from '@/core/faults';

/** Keeps a fault within its panel: the rest of the studio works on. */
export class Fence extends Component<{ name: string; children: ReactNode }, { fault: string | null }> {
  override state = { fault: null as string | null };

  static getDerivedStateFromError(thrown: unknown) {
    return { fault: wordsOf(thrown) };
  }

  override render() {
    if (this.state.fault === null) return this.props.children;
    return (
      <div role="alert" className="overflow-auto bg-slate p-4">
        <p className="text-signal">{this.props.name} has failed; your work is kept.</p>
        <p className="my-1 text-ash">{this.state.fault}</p>
        <button type="button" className="key" onClick={() => this.setState({ fault: null })}>
          Try again
        </button>
      </div>
    );
  }
}
