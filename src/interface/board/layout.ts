/** A rectangle of the paper surface, CSS pixels from its upper left corner. */
export interface Rect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** How the paper is shared out: plan above, side view and picture below, the strips between. */
export interface BoardLayout {
  readonly width: number;
  readonly height: number;
  readonly plan: Rect;
  readonly side: Rect;
  readonly picture: Rect;
  readonly uStrip: Rect;
  readonly vStrip: Rect;
}

const STRIP = 22;

/** Plan above, side view at the side, picture under them, the strips between: by how much plan and side view get. */
function linked(width: number, height: number, planHeight: number, sideWidth: number): BoardLayout {
  const lowerY = planHeight + STRIP;
  const lowerHeight = Math.max(0, height - lowerY);
  const pictureX = sideWidth + STRIP;
  return {
    width,
    height,
    plan: { x: 0, y: 0, width, height: planHeight },
    uStrip: { x: pictureX, y: planHeight, width: width - pictureX, height: STRIP },
    side: { x: 0, y: lowerY, width: sideWidth, height: lowerHeight },
    vStrip: { x: sideWidth, y: lowerY, width: STRIP, height: lowerHeight },
    picture: { x: pictureX, y: lowerY, width: width - pictureX, height: lowerHeight },
  };
}

/** The linked board: one upright through the centre of vision serves plan and picture. */
export const linkedLayout = (width: number, height: number): BoardLayout =>
  linked(width, height, Math.round((height - STRIP) * 0.5), Math.round(Math.min(300, width * 0.28)));

/** The picture with the board around it as large as can be; plan and side view shrunk to bands beside their strips. */
export const bandsLayout = (width: number, height: number): BoardLayout =>
  linked(width, height, Math.round(Math.min(96, height * 0.14)), Math.round(Math.min(60, width * 0.06)));

/** The picture alone. */
export function pictureLayout(width: number, height: number): BoardLayout {
  const none = { x: 0, y: 0, width: 0, height: 0 };
  return { width, height, plan: none, side: none, uStrip: none, vStrip: none, picture: { x: 0, y: 0, width, height } };
}

/** One view over the whole paper, with the strips it shares; the other two are laid aside. */
export const WHOLE = {
  plan: (width: number, height: number): BoardLayout => {
    const strip = height - STRIP;
    return {
      ...{ width, height },
      plan: { x: 0, y: 0, width, height: strip },
      uStrip: { x: 0, y: strip, width, height: STRIP },
      side: { x: 0, y: height, width: 0, height: 0 },
      vStrip: { x: 0, y: height, width: 0, height: 0 },
      picture: { x: 0, y: height, width, height: 0 },
    };
  },
  side: (width: number, height: number): BoardLayout => {
    const strip = width - STRIP;
    return {
      ...{ width, height },
      plan: { x: 0, y: 0, width: 0, height: 0 },
      uStrip: { x: width, y: 0, width: 0, height: 0 },
      side: { x: 0, y: 0, width: strip, height },
      vStrip: { x: strip, y: 0, width: STRIP, height },
      picture: { x: width, y: 0, width: 0, height },
    };
  },
  picture: (width: number, height: number): BoardLayout => linked(width, height, 0, 0),
} as const;

/** Whether a view or a strip has any room on the paper. */
export const hasRoom = ({ width, height }: Rect): boolean => width > 0 && height > 0;

export const contains = (rect: Rect, x: number, y: number): boolean =>
  x >= rect.x && x < rect.x + rect.width && y >= rect.y && y < rect.y + rect.height;
