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

/** Wheel zooms about the pointer, drag pans, a press selects a land. */
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
  const handlers = {
    onPointerDown(event: React.PointerEvent) {
      const view = viewAt(pixelOf(event));
      if (!view) return;
      const pixel = pixelOf(event);
      drag.current = { ...pixel, camera, view, moved: false, held: grab(view, pixel) };
    },
    onPointerMove(event: React.PointerEvent) {
      const pixel = pixelOf(event);
      const start = drag.current;
      if (start && event.buttons === 1) {
        const [dx, dy] = [pixel.x - start.x, pixel.y - start.y];
        if (!start.moved && Math.hypot(dx, dy) < 4) return;
        start.moved = true;
        if (start.held) return start.held({ x: dx, y: dy });
        hold({
          ...start.camera,
          x: start.view === 'side' ? start.camera.x : start.camera.x - dx / camera.scale,
          y: start.view === 'front' ? start.camera.y : start.camera.y + dy / camera.scale,
        });
        return;
      }
      const view = viewAt(pixel);
      if (view !== 'plan') return onPointer(null);
      const point = pointUnder('plan', areas.plan as Area, camera, rise, pixel);
      onPointer({ point, over: find(point) });
    },
    onPointerLeave: () => onPointer(null),
    onPointerUp: () => input.letGo?.(),
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
