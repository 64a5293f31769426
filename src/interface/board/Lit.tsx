'use client';
import type { LengthStyle } from '@/core/units';
import type { Look } from '@/interface/theme';
import { FIGURE_FACE } from '@/interface/theme';
import { sideways, upright } from '@/interface/words';
import { clamp } from '@/core/numeric';
import type { LitCorner } from './lit';
import { hasRoom, type BoardLayout, type Rect } from './layout';

interface Point {
  readonly x: number;
  readonly y: number;
}

function Segment({
  from,
  to,
  colour,
  dash,
}: {
  readonly from: Point;
  readonly to: Point;
  readonly colour: string;
  readonly dash?: string;
}) {
  return <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke={colour} strokeWidth={1.6} strokeDasharray={dash} />;
}

/** A word that never leaves its place, on a patch of paper so that lines under it do not cross it. */
function Word({
  at,
  text,
  within,
  look,
  test,
}: {
  readonly at: Point;
  readonly text: string;
  readonly within: Rect;
  readonly look: Look;
  readonly test: string;
}) {
  const width = text.length * 7.6 + 8;
  const x = clamp(at.x, within.x + 4, within.x + within.width - width - 4);
  const y = clamp(at.y, within.y + 18, within.y + within.height - 4);
  return (
    <g>
      <rect x={x - 4} y={y - 13} width={width} height={17} fill={look.sheet} opacity={0.92} />
      <text data-testid={test} x={x} y={y} fontFamily={FIGURE_FACE} fontSize={12.5} fill={look.ink}>
        {text}
      </text>
    </g>
  );
}

/** The whole theory in one gesture: ray, ticks on both strips, drop and level that meet in the picture, and the height line. */
export function Lit({
  lit,
  layout,
  look,
  style,
  name,
}: {
  readonly lit: LitCorner;
  readonly layout: BoardLayout;
  readonly look: Look;
  readonly style: LengthStyle;
  readonly name: string;
}) {
  const { plan, side, strips, picture, figures } = lit;
  const { uStrip, vStrip } = layout;
  const ray = '7 3 2 3';
  const beyond = (from: Point, to: Point, other: Point): Point =>
    Math.hypot(to.x - from.x, to.y - from.y) > Math.hypot(other.x - from.x, other.y - from.y) ? to : other;
  const dot = (at: Point) => <circle cx={at.x} cy={at.y} r={4} fill={look.ink} />;
  return (
    <g data-testid="lit" data-corner={lit.corner.id} pointerEvents="none">
      {hasRoom(layout.plan) ? (
        <>
          <g clipPath="url(#clip-plan)">
            <Segment
              from={plan.station}
              to={beyond(plan.station, plan.corner, plan.onPlane)}
              colour={look.families.ray}
              dash={ray}
            />
            <Segment
              from={{ x: plan.onPlane.x, y: plan.onPlane.y - 7 }}
              to={{ x: plan.onPlane.x, y: plan.onPlane.y + 7 }}
              colour={look.ink}
            />
            <Segment from={plan.onPlane} to={strips.uAbove} colour={look.ink} dash="3 3" />
            {dot(plan.corner)}
          </g>
          <Segment from={strips.uAbove} to={strips.uBelow} colour={look.ink} />
        </>
      ) : null}
      {hasRoom(layout.side) ? (
        <>
          <g clipPath="url(#clip-side)">
            <Segment
              from={side.eye}
              to={beyond(side.eye, side.corner, side.onPlane)}
              colour={look.families.ray}
              dash={ray}
            />
            <Segment
              from={{ x: side.onPlane.x - 7, y: side.onPlane.y }}
              to={{ x: side.onPlane.x + 7, y: side.onPlane.y }}
              colour={look.ink}
            />
            <Segment from={side.onPlane} to={strips.vLeft} colour={look.ink} dash="3 3" />
            <Segment from={side.foot} to={side.corner} colour={look.families.vertical} />
            {dot(side.corner)}
          </g>
          <Segment from={strips.vLeft} to={strips.vRight} colour={look.ink} />
        </>
      ) : null}
      <g clipPath="url(#clip-picture)">
        {hasRoom(uStrip) ? (
          <Segment from={strips.uBelow} to={{ x: strips.uBelow.x, y: picture.corner.y }} colour={look.ink} dash="3 3" />
        ) : null}
        {hasRoom(vStrip) ? (
          <Segment from={strips.vRight} to={{ x: picture.corner.x, y: strips.vRight.y }} colour={look.ink} dash="3 3" />
        ) : null}
        <Segment from={picture.foot} to={picture.corner} colour={look.families.vertical} />
        <circle
          cx={picture.foot.x}
          cy={picture.foot.y}
          r={3}
          fill="none"
          stroke={look.families.vertical}
          strokeWidth={1.4}
        />
        {dot(picture.corner)}
      </g>
      {hasRoom(layout.plan) ? (
        <Word
          test="plan-u"
          within={layout.plan}
          look={look}
          at={{ x: plan.onPlane.x + 10, y: plan.onPlane.y - 8 }}
          text={`u ${sideways(figures.planU, style)}`}
        />
      ) : null}
      {hasRoom(layout.side) ? (
        <Word
          test="side-v"
          within={layout.side}
          look={look}
          at={{ x: side.onPlane.x + 10, y: side.onPlane.y - 8 }}
          text={`v ${upright(figures.sideV, style)}`}
        />
      ) : null}
      {hasRoom(uStrip) ? (
        <Word
          test="strip-u"
          within={{ ...uStrip, y: uStrip.y - 1 }}
          look={look}
          at={{ x: strips.uBelow.x + 8, y: uStrip.y + 16 }}
          text={sideways(figures.planU, style)}
        />
      ) : null}
      {hasRoom(layout.picture) ? (
        <Word
          test="picture-uv"
          within={layout.picture}
          look={look}
          at={{ x: picture.corner.x + 10, y: picture.corner.y - 10 }}
          text={`${sideways(figures.pictureU, style)}, ${upright(figures.pictureV, style)}`}
        />
      ) : null}
      <title>{`${name}${vStrip.width > 0 ? '' : ', in the picture'}`}</title>
    </g>
  );
}
