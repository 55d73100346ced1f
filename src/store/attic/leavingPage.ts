/**
 * Watches for the page being left, or hidden and perhaps never shown again.
 *
 * @param isAtRisk whether something would be lost: only then the person is asked
 * @returns stops
 */
export function watchLeaving(onLeave: () => void, isAtRisk: () => boolean): () => void {
  const asked = (event: BeforeUnloadEvent) => {
    if (isAtRisk()) event.preventDefault();
  };
  window.addEventListener('pagehide', onLeave);
  document.addEventListener('visibilitychange', onLeave);
  window.addEventListener('beforeunload', asked);
  return () => {
    window.removeEventListener('pagehide', onLeave);
    document.removeEventListener('visibilitychange', onLeave);
    window.removeEventListener('beforeunload', asked);
  };
}
