import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { FeedEvent, Known } from '@/core/scene/changes';
import { ChangeStream } from './change-stream';

class TestSource {
  static readonly CLOSED = 2;
  static all: TestSource[] = [];
  onmessage = (_: { data: string }) => {};
  onerror = () => {};
  readyState = 1;
  constructor(readonly url: string) {
    TestSource.all.push(this);
  }
  close(): void {
    this.readyState = TestSource.CLOSED;
  }
  tell(sceneId: string, event: FeedEvent): void {
    this.onmessage({ data: JSON.stringify({ sceneId, ...event }) });
  }
  get follow(): string | null {
    return new URL(this.url, 'http://here').searchParams.get('follow');
  }
}

beforeEach(() => {
  TestSource.all = [];
  vi.useFakeTimers();
  vi.stubGlobal('EventSource', TestSource);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const known = (revision: number): Known => ({ revision, changeNumber: 3 });
const changes = (revision: number): FeedEvent => ({ kind: 'changes', changes: [], ...known(revision) });

function setUp() {
  const stream = new ChangeStream();
  const heard: Record<string, FeedEvent[]> = {};
  const follow = (tab: string, sceneId: string, revision: number, name = 'Ann') => {
    heard[tab] ??= [];
    const person = { id: 'person-ann', name };
    stream.follow(tab, { sceneId, known: known(revision), person, hear: (event) => heard[tab].push(event) });
    vi.advanceTimersByTime(0);
  };
  const open = () => TestSource.all.filter(({ readyState }) => readyState !== TestSource.CLOSED);
  return { stream, heard, follow, open };
}

describe('a stream of changes', () => {
  it('is one for all tabs, each of which hears of its scene', () => {
    const { heard, follow, open } = setUp();
    follow('a', 'one', 5);
    follow('b', 'two', 8);
    follow('c', 'one', 5);
    expect(open().map((source) => source.follow)).toEqual(['one:5.3,two:8.3']);
    open()[0].tell('one', changes(6));
    expect([heard.a.length, heard.b.length, heard.c.length]).toEqual([1, 0, 1]);
  });

  it('is opened anew for a tab that knows less than was told, from there on', () => {
    const { follow, open } = setUp();
    follow('a', 'one', 5);
    open()[0].tell('one', changes(9));
    follow('b', 'one', 9);
    expect(TestSource.all.length).toBe(1);
    follow('c', 'one', 7);
    expect(open().map((source) => source.follow)).toEqual(['one:7.3']);
  });

  it('goes on from what each tab was told of when it is opened anew for another scene', () => {
    const { follow, open } = setUp();
    follow('a', 'one', 5);
    open()[0].tell('one', changes(9));
    follow('b', 'two', 2);
    expect(open()[0].follow).toBe('one:9.3,two:2.3');
  });

  it('tells a tab that comes later who is there', () => {
    const { heard, follow, open } = setUp();
    follow('a', 'one', 5);
    open()[0].tell('one', { kind: 'people', people: [{ id: 'person-ben', name: 'Ben', picked: [] }] });
    follow('b', 'one', 5);
    expect(heard.b).toEqual(heard.a);
  });

  it('is closed with the last tab, and leaves out scenes that nobody has open', () => {
    const { stream, follow, open } = setUp();
    follow('a', 'one', 5);
    follow('b', 'two', 5);
    stream.leave('a');
    vi.advanceTimersByTime(0);
    expect(open().map((source) => source.follow)).toEqual(['two:5.3']);
    stream.leave('b');
    vi.advanceTimersByTime(0);
    expect(open()).toEqual([]);
  });

  it('follows a scene that is opened anew from its new revision', () => {
    const { heard, follow, open } = setUp();
    follow('a', 'one', 5);
    open()[0].tell('one', { kind: 'reload' });
    expect(heard.a.at(-1)).toEqual({ kind: 'reload' });
    follow('a', 'one', 4000);
    expect(open().map((source) => source.follow)).toEqual(['one:4000.3']);
  });

  it('is tried again after an answer that is an error, and tells a new name', () => {
    const { follow, open } = setUp();
    follow('a', 'one', 5);
    const [source] = open();
    source.close();
    source.onerror();
    expect(open()).toEqual([]);
    vi.advanceTimersByTime(2000);
    expect(open().length).toBe(1);
    follow('a', 'one', 5, 'Anne');
    expect(new URL(open()[0].url, 'http://here').searchParams.get('name')).toBe('Anne');
  });
});
