import { useCallback, useEffect, useState, type RefObject } from 'react';

/** How far outside of the window something may be and still be drawn, in parts of the window's height. */
const REACH = '120% 0px';

/** Whether an element is in the window or near it. */
export function useNear(element: RefObject<HTMLElement | null>): boolean {
  const [near, setNear] = useState(false);
  useEffect(() => {
    const target = element.current;
    if (!target) return;
    const watch = new IntersectionObserver(
      (entries) => setNear(entries.some((entry) => entry.isIntersecting)),
      { rootMargin: REACH },
    );
    watch.observe(target);
    return () => watch.disconnect();
  }, [element]);
  return near;
}

/** The size of the element that the ref is put on, as it is now, in CSS pixels; nothing while there is none. */
export function useMeasured() {
  const [size, setSize] = useState({ width: 0, height: 0 });
  const ref = useCallback((element: HTMLElement | null) => {
    if (!element) return;
    const measure = () => {
      const { offsetWidth: width, offsetHeight: height } = element;
      setSize((now) => (now.width === width && now.height === height ? now : { width, height }));
    };
    const watch = new ResizeObserver(measure);
    watch.observe(element);
    measure();
    return () => {
      watch.disconnect();
      setSize({ width: 0, height: 0 });
    };
  }, []);
  return { ref, ...size };
}
