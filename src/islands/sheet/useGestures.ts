import { useCallback, useRef } from 'react';
import type { Point } from '../../core/geometry/point';
import type { View } from '../../core/package/lines';
import type { Rise } from '../../core/drawing/dimension-lines';
import { pointUnder, zoomAbout, type Area, type Areas, type Camera } from './layout';
import { useWheel } from './useWheel';

const VIEWS: readonly View[] = ['plan', 'side', 'front'];

/** What lies under the pointer: a point of the plan and the index of the land there. */
export interface Pointer {
  readonly point: Point;
  readonly over: number | null;
}

interface GestureInput {
  /** Told the land that was pressed, or that none was. */
  press: (index: number | null) => void;
  areas: Areas;
  camera: Camera;
  hold: (camera: Camera) => void;
  rise: Rise;
  onPointer: (pointer: Pointer | null) => void;
  landAt: (point: Point) => number | null;
  /** Takes hold of what can be dragged in a view, by how far the pointer has moved, px; `null` where a drag pans. */
  grab: (view: View, pixel: Point) => ((moved: Point) => void) | null;
  letGo?: (() => void) | undefined;
}

/** Two fingers on the drawing as they were put down. */
interface Pinch {
  readonly camera: Camera;
  readonly view: View;
  readonly middle: Point;
  readonly apart: number;
}

/** Wheel zooms about the pointer, two fingers zoom and pan, drag pans, a press selects a land. */
export function useGestures(input: GestureInput) {
  const { press, areas, camera, hold, rise, onPointer, landAt: find, grab } = input;
  const drag = useRef<{
    x: number;
    y: number;
    camera: Camera;
    view: View;
    moved: boolean;
    held: ((moved: Point) => void) | null;
  } | null>(null);
  const fingers = useRef(new Map<number, Point>());
  const pinch = useRef<Pinch | null>(null);
  const viewAt = useCallback(
    (pixel: Point) =>
      VIEWS.find((view) => {
        const area = areas[view];
        return (
          area &&
          pixel.x >= area.x &&
          pixel.x < area.x + area.width &&
          pixel.y >= area.y &&
          pixel.y < area.y + area.height
        );
      }) ?? null,
    [areas],
  );
  const pixelIn = (element: Element, { clientX, clientY }: { clientX: number; clientY: number }): Point => {
    const box = element.getBoundingClientRect();
    return { x: clientX - box.left, y: clientY - box.top };
  };
  const pixelOf = (event: React.MouseEvent): Point => pixelIn(event.currentTarget, event);
  const wheel = useWheel((event) => {
    const pixel = pixelIn(event.currentTarget as Element, event);
    const view = viewAt(pixel);
    if (view) hold(zoomAbout(camera, view, areas[view] as Area, pixel, Math.exp(-event.deltaY * 0.0015)));
  });
  const spread = (): Omit<Pinch, 'camera' | 'view'> | null => {
    const [a, b] = [...fingers.current.values()];
    if (!a || !b) return null;
    return {
      middle: { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 },
      apart: Math.max(1, Math.hypot(a.x - b.x, a.y - b.y)),
    };
  };
  const lift = (event: React.PointerEvent) => {
    fingers.current.delete(event.pointerId);
    if (fingers.current.size < 2) pinch.current = null;
  };
  const handlers = {
    onPointerDown(event: React.PointerEvent) {
      const view = viewAt(pixelOf(event));
      if (!view) return;
      const pixel = pixelOf(event);
      if (event.pointerType === 'touch') fingers.current.set(event.pointerId, pixel);
      const both = spread();
      if (both) {
        pinch.current = { ...both, camera, view };
        drag.current = { ...pixel, camera, view, moved: true, held: null };
        return;
      }
      drag.current = { ...pixel, camera, view, moved: false, held: grab(view, pixel) };
    },
    onPointerMove(event: React.PointerEvent) {
      const pixel = pixelOf(event);
      if (fingers.current.has(event.pointerId)) fingers.current.set(event.pointerId, pixel);
      const [from, now] = [pinch.current, spread()];
      if (from && now) {
        const { view, middle } = from;
        const zoomed = zoomAbout(from.camera, view, areas[view] as Area, middle, now.apart / from.apart);
        return hold(panned(zoomed, view, now.middle.x - middle.x, now.middle.y - middle.y));
      }
      const start = drag.current;
      if (start && event.buttons === 1) {
        const [dx, dy] = [pixel.x - start.x, pixel.y - start.y];
        if (!start.moved && Math.hypot(dx, dy) < 4) return;
        start.moved = true;
        if (start.held) return start.held({ x: dx, y: dy });
        return hold(panned(start.camera, start.view, dx, dy));
      }
      const view = viewAt(pixel);
      if (view !== 'plan') return onPointer(null);
      const point = pointUnder('plan', areas.plan as Area, camera, rise, pixel);
      onPointer({ point, over: find(point) });
    },
    onPointerLeave: () => onPointer(null),
    onPointerUp(event: React.PointerEvent) {
      lift(event);
      input.letGo?.();
    },
    onPointerCancel: lift,
    onClick(event: React.MouseEvent) {
      const moved = drag.current?.moved;
      drag.current = null;
      const pixel = pixelOf(event);
      if (
        moved ||
        viewAt(pixel) !== 'plan' ||
        (event.target as Element).closest('[role=button], .cursor-pointer')
      )
        return;
      press(find(pointUnder('plan', areas.plan as Area, camera, rise, pixel)));
    },
  };
  return { wheel, handlers };
}

/** A camera after a view was moved by pixels. */
function panned(camera: Camera, view: View, dx: number, dy: number): Camera {
  return {
    ...camera,
    x: view === 'side' ? camera.x : camera.x - dx / camera.scale,
    y: view === 'front' ? camera.y : camera.y + dy / camera.scale,
  };
}
