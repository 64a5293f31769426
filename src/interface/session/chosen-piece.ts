import type { Id, Project, View } from '@/core/record';

/** The piece a view constructs; until one is chosen, the first. */
export const chosenPiece = (project: Project, view: View): Id | null =>
  project.plans.find((plan) => plan.viewId === view.id)?.pieceId ?? project.pieces[0]?.id ?? null;
