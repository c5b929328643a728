import { useEffect, useState, type RefObject } from 'react';

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

/** The size of an element as it is now, in CSS pixels. */
export function useSize(element: RefObject<HTMLElement | null>): { width: number; height: number } {
  const [size, setSize] = useState({ width: 0, height: 0 });
  useEffect(() => {
    const target = element.current;
    if (!target) return;
    const measure = () =>
      setSize((now) =>
        now.width === target.clientWidth && now.height === target.clientHeight
          ? now
          : { width: target.clientWidth, height: target.clientHeight },
      );
    const watch = new ResizeObserver(measure);
    watch.observe(target);
    measure();
    return () => watch.disconnect();
  }, [element]);
  return size;
}
