import type { Id } from '@/core/record';
import { turnedAxes, type Axes } from './axes';
import type { BodyBuilder } from './body-builder';
import type { Part } from './parts';
import { spoken } from './role';
import {
  ballShape,
  blockShape,
  cutShape,
  prismShape,
  taperShape,
  turnedShape,
  type Belonging,
  type Shaping,
  type Which,
} from './shapes';

/** Collects one body's parts; every name begins with the body's id. */
export class Assembly {
  constructor(
    private readonly builder: BodyBuilder,
    private readonly id: Id,
    private readonly belonging: Belonging,
  ) {}

  add(parts: readonly Part[], axes: Axes, prefix = ''): void {
    for (const part of parts) {
      const name = `${prefix}${part.name}`;
      switch (part.part) {
        case 'block':
          blockShape(part, axes, this.shaping(name));
          break;
        case 'prism':
          prismShape(part, axes, this.shaping(name));
          break;
        case 'cut':
          cutShape(part, axes, this.shaping(name));
          break;
        case 'taper':
          taperShape(part, axes, this.shaping(name));
          break;
        case 'turned':
          turnedShape(part, axes, this.shaping(name));
          break;
        case 'ball':
          ballShape(part, axes, this.shaping(name));
          break;
        case 'group':
          this.add(part.parts, turnedAxes(axes, part.at, part.turnDeg), `${name}-`);
          break;
      }
    }
  }

  private shaping(name: string): Shaping {
    const part = `${this.id}/${name}`;
    const said = spoken(name);
    return {
      builder: this.builder,
      belonging: this.belonging,
      part,
      named: ({ name: own, which, level }: Which) => ({
        id: `${part}/${own}`,
        role: { is: 'part', ownerId: this.id, part: said, which, level },
      }),
    };
  }
}
