import { useCallback, useState } from 'react';

/** The width of an element in px, kept up to date. */
export const useWidth = (initial = 800): [(element: HTMLElement | null) => void, number] => {
  const [width, setWidth] = useState(initial);
  const ref = useCallback((element: HTMLElement | null) => {
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => entry && setWidth(entry.contentRect.width));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
};
