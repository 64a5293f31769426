/**
 * Does something once the next frame is on the screen: what led to it is seen first, and nothing takes the processor from its painting. In a page that
 * nobody sees there are no frames: at once then. What is returned gives it up.
 */
export function afterFrame(act: () => void): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const soon = (): void => {
    timer = setTimeout(act, 0);
  };
  let frame = 0;
  if (document.hidden) soon();
  else frame = requestAnimationFrame(soon);
  return () => {
    cancelAnimationFrame(frame);
    clearTimeout(timer);
  };
}
