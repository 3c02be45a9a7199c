import { useRef, useState, type PointerEvent } from 'react';

interface DragQuestion {
  /** Pixels of a second. */
  readonly perS: number;
  /** The oven at a height of the picture, if one is there. */
  readonly placeAt: (y: number) => string | null;
  readonly onDrop: ((loadId: string, ovenId: string, startS: number) => void) | undefined;
}
interface Held {
  readonly loadId: string;
  readonly ovenId: string;
  readonly startS: number;
  readonly x: number;
  readonly y: number;
}

/** A press that moves less than this is a click, px. */
const clickPx = 4;

/** Pulls loads over the picture of the day; where one is let go, it is proposed to be moved. */
export const useDragLoad = ({ perS, placeAt, onDrop }: DragQuestion) => {
  const [held, setHeld] = useState<Held | null>(null);
  const [by, setBy] = useState({ dx: 0, dy: 0 });
  const dropped = useRef(false);
  const end = () => {
    setHeld(null);
    setBy({ dx: 0, dy: 0 });
  };
  return {
    moved: held && { loadId: held.loadId, ...by },
    /** Whether the click that comes now is the end of a pull. */
    justDropped: (): boolean => {
      const was = dropped.current;
      dropped.current = false;
      return was;
    },
    of: (loadId: string, ovenId: string, startS: number) =>
      onDrop && {
        onPointerDown: (event: PointerEvent<SVGGElement>) => {
          if (event.button !== 0) return;
          dropped.current = false;
          event.currentTarget.setPointerCapture(event.pointerId);
          setHeld({ loadId, ovenId, startS, x: event.clientX, y: event.clientY });
        },
        onPointerMove: (event: PointerEvent<SVGGElement>) => {
          if (held) setBy({ dx: event.clientX - held.x, dy: event.clientY - held.y });
        },
        onPointerCancel: end,
        onPointerUp: (event: PointerEvent<SVGGElement>) => {
          if (!held) return;
          const [dx, dy] = [event.clientX - held.x, event.clientY - held.y];
          end();
          if (Math.hypot(dx, dy) < clickPx) return;
          dropped.current = true;
          const top = event.currentTarget.ownerSVGElement?.getBoundingClientRect().top ?? 0;
          const to = placeAt(event.clientY - top) ?? held.ovenId;
          onDrop(held.loadId, to, Math.round((held.startS + dx / perS) / 60) * 60);
        },
      },
  };
};
