import { useLayoutEffect, type RefObject } from 'react';

const FOLDS = 'data-folds';
const FOLDED = 'data-folded';

/**
 * Folds sentences of a margin to their short words until all of it fits: the least at hand first, never the one that was pressed or typed in last, nor
 * one that has the keyboard or a figure that is refused.
 * Done on the page itself, before it is painted: how much fits is known only there, and nothing else needs to know.
 */
function foldUntilItFits(margin: HTMLElement, kept: Element | null): void {
  const order = (one: Element): number => Number(one.getAttribute(FOLDS));
  const sentences = [...margin.querySelectorAll(`[${FOLDS}]`)].sort((a, b) => order(a) - order(b));
  const fits = (): boolean => margin.scrollHeight <= margin.clientHeight;
  for (const one of sentences) one.removeAttribute(FOLDED);
  for (const one of sentences) {
    if (fits()) break;
    const atHand = one === kept || one.contains(document.activeElement) || one.querySelector('[aria-invalid=true]');
    if (!atHand) one.setAttribute(FOLDED, '');
  }
  // A short one that was folded before a long one may fit after all.
  for (const one of sentences.reverse()) {
    if (!one.hasAttribute(FOLDED)) continue;
    one.removeAttribute(FOLDED);
    if (!fits()) one.setAttribute(FOLDED, '');
  }
}

const sentenceAt = (target: EventTarget | null): Element | null =>
  target instanceof Element ? target.closest('.sentence') : null;

const gainsElements = ({ addedNodes }: MutationRecord): boolean =>
  [...addedNodes].some((node) => node instanceof Element);

/** Keeps a margin within the window: whatever changes its words or its height, it folds anew. */
export function useFolding(margin: RefObject<HTMLElement | null>, folds: boolean): void {
  useLayoutEffect(() => {
    const element = margin.current;
    if (!element || !folds) return;
    let kept: Element | null = null;
    const fit = (): void => foldUntilItFits(element, kept?.isConnected ? kept : null);
    const opened = (event: Event): void => {
      const sentence = sentenceAt(event.target);
      if (!sentence) return;
      kept = sentence;
      if (!sentence.hasAttribute(FOLDED)) return;
      fit();
      // Whoever opened it by key goes on in it.
      sentence.querySelector<HTMLElement>('.whole input, .whole button, .whole [tabindex]')?.focus();
    };
    const typed = (event: Event): void => {
      kept = sentenceAt(event.target) ?? kept;
    };
    const words = new MutationObserver((changes) => {
      // A sentence that alone has become another, as by a key that lays a grid, is what one is at.
      const become = new Set(changes.flatMap((one) => (gainsElements(one) ? (sentenceAt(one.target) ?? []) : [])));
      if (become.size === 1) [kept = null] = become;
      fit();
    });
    words.observe(element, { childList: true, characterData: true, subtree: true });
    const size = new ResizeObserver(fit);
    size.observe(element);
    element.addEventListener('click', opened);
    element.addEventListener('input', typed);
    fit();
    return () => {
      words.disconnect();
      size.disconnect();
      element.removeEventListener('click', opened);
      element.removeEventListener('input', typed);
      for (const one of element.querySelectorAll(`[${FOLDED}]`)) one.removeAttribute(FOLDED);
    };
  }, [margin, folds]);
}
