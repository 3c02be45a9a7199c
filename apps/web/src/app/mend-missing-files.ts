/** A page that missed a file of its version is loaded anew, once in this time: an endless reload helps nobody, ms. */
const onceIn = 20_000;
const key = 'jokul-reloaded';

/** Whether the server has another version of the page than this one; false while it is away. */
const isOld = async (): Promise<boolean> => {
  try {
    // With something to it, so that it is not the page that a worker keeps.
    const answer = await fetch(`/?asked=${Date.now()}`, { cache: 'no-store' });
    const page = await answer.text();
    const own = document.querySelector('script[type="module"][src]')?.getAttribute('src');
    return answer.ok && own !== null && own !== undefined && !page.includes(own);
  } catch {
    return false;
  }
};

/**
 * After an upgrade an old page may ask for a file that is gone. It is loaded anew by itself, so that nobody has to know
 * how; but only when the server has a newer one: while it is away a page that is loaded anew would be gone.
 */
export const mendMissingFiles = (reload = () => location.reload()): void => {
  window.addEventListener('vite:preloadError', () => {
    void isOld().then((old) => {
      if (!old) return;
      try {
        const last = Number(sessionStorage.getItem(key));
        sessionStorage.setItem(key, String(Date.now()));
        if (Date.now() - last < onceIn) return;
      } catch {
        // Without a store the error is shown: better than reloading for ever.
        return;
      }
      reload();
    });
  });
};
