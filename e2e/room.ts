/** What is wrong with how a screen is laid out: text that is cut, controls that lie on each other, controls without a name. */
import type { Page } from '@playwright/test';

/** Found in the page, one line each; what lies on the stage or may lie on other things (`data-free`) is left out. */
export function faultsOfRoom(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const CONTROLS = 'button, input, select, textarea, a[href], [role="slider"], [role="switch"]';
    /** Less than this is the rounding of a font. */
    const SLACK = 1.5;
    interface Box {
      left: number;
      top: number;
      right: number;
      bottom: number;
    }
    const shared = (a: Box, b: Box): Box => ({
      left: Math.max(a.left, b.left),
      top: Math.max(a.top, b.top),
      right: Math.min(a.right, b.right),
      bottom: Math.min(a.bottom, b.bottom),
    });
    const isEmpty = ({ left, top, right, bottom }: Box) => right - left < 1 || bottom - top < 1;
    const faults = new Set<string>();
    const wordsOf = (element: Element) =>
      (element.getAttribute('aria-label') ?? element.textContent ?? '').trim().slice(0, 40) ||
      `<${element.tagName.toLowerCase()}>`;

    /** What of a box is in sight, and whether what is not can be scrolled to. */
    const inSight = (element: Element, box: Box): { seen: Box; isCut: boolean } => {
      let seen: Box = { left: box.left, top: box.top, right: box.right, bottom: box.bottom };
      let isCut = false;
      for (let at: Element | null = element; at; at = at.parentElement) {
        const style = getComputedStyle(at);
        const hides = (overflow: string) => overflow !== 'visible';
        if (!hides(style.overflowX) && !hides(style.overflowY)) continue;
        const clip = at.getBoundingClientRect();
        const next = shared(seen, clip);
        const canScroll = (overflow: string) => overflow === 'auto' || overflow === 'scroll';
        if (seen.right > clip.right + SLACK) isCut ||= !canScroll(style.overflowX);
        // What lies before the beginning of a strip cannot be scrolled to.
        if (seen.left < clip.left - SLACK) isCut ||= !canScroll(style.overflowX) || at.scrollLeft === 0;
        if (seen.bottom > clip.bottom + SLACK || seen.top < clip.top - SLACK)
          isCut ||= !canScroll(style.overflowY);
        seen = next;
      }
      // Nothing is beyond the window; the front page alone is scrolled, down.
      const scrolls = document.documentElement.scrollHeight > innerHeight;
      const window = { left: 0, top: 0, right: innerWidth, bottom: innerHeight };
      const inWindow = shared(seen, window);
      const isBeyond = seen.right > window.right + SLACK || (seen.bottom > window.bottom + SLACK && !scrolls);
      return { seen: inWindow, isCut: isCut || (!isEmpty(seen) && isBeyond) };
    };
    const isShown = (element: Element) =>
      element.checkVisibility({ opacityProperty: true, visibilityProperty: true });
    const isLeftOut = (element: Element) =>
      element.closest('[data-free], canvas, [aria-hidden="true"], option, nextjs-portal') !== null;

    const pen = document.createElement('canvas').getContext('2d')!;
    /** The arrow of a choice, which stands behind its words. */
    const ARROW_PX = 14;
    const widthOfChoice = (select: HTMLSelectElement) => {
      const { font, paddingLeft, paddingRight } = getComputedStyle(select);
      pen.font = font;
      const words = select.selectedOptions[0]?.text ?? '';
      return pen.measureText(words).width + ARROW_PX + parseFloat(paddingLeft) + parseFloat(paddingRight);
    };
    // Controls: named, and whole.
    const solid: { element: Element; box: Box }[] = [];
    for (const element of document.querySelectorAll(CONTROLS)) {
      if (isLeftOut(element) || !isShown(element)) continue;
      const input = element as HTMLInputElement;
      if (input.type === 'file') continue;
      const name =
        element.getAttribute('aria-label') ??
        element.getAttribute('title') ??
        input.labels?.[0]?.textContent ??
        element.textContent;
      if (!name?.trim()) faults.add(`no name: ${element.outerHTML.slice(0, 120)}`);
      const box = element.getBoundingClientRect();
      const { seen, isCut } = inSight(element, box);
      if (isEmpty(seen)) continue;
      if (isCut) faults.add(`cut: ${wordsOf(element)}`);
      if (
        element.tagName === 'INPUT' &&
        input.type !== 'color' &&
        element.scrollWidth > element.clientWidth + 1
      )
        faults.add(`cut field: ${wordsOf(element)} "${input.value}"`);
      if (element.tagName === 'SELECT' && widthOfChoice(element as HTMLSelectElement) > element.clientWidth)
        faults.add(`cut choice: ${wordsOf(element)}`);
      solid.push({ element, box: seen });
    }
    // Texts: whole, too, but for names that end in dots and are told whole on hover.
    const isTitled = (element: Element) =>
      getComputedStyle(element).textOverflow === 'ellipsis' && element.closest('[title]') !== null;
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const element = node.parentElement;
      if (!element || !node.textContent?.trim() || isLeftOut(element) || !isShown(element)) continue;
      if (element.closest('script, style, select')) continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      for (const box of range.getClientRects()) {
        const { seen, isCut } = inSight(element, box);
        if (isEmpty(seen)) continue;
        if (isCut && !isTitled(element)) faults.add(`cut text: ${node.textContent.trim().slice(0, 40)}`);
        if (!element.closest(CONTROLS)) solid.push({ element, box: seen });
      }
    }
    for (let i = 0; i < solid.length; i++)
      for (let j = i + 1; j < solid.length; j++) {
        const [a, b] = [solid[i], solid[j]];
        if (a.element.contains(b.element) || b.element.contains(a.element)) continue;
        const both = shared(a.box, b.box);
        if (both.right - both.left <= SLACK || both.bottom - both.top <= SLACK) continue;
        // What floats over other things on purpose lies in a layer of its own.
        const layer = (element: Element) => element.closest('[role="dialog"], [data-layer]');
        if (layer(a.element) !== layer(b.element)) continue;
        faults.add(`overlap: ${wordsOf(a.element)} / ${wordsOf(b.element)}`);
      }
    return [...faults];
  });
}
