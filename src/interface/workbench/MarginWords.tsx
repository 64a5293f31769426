'use client';
import { type Scene } from '@/core/pipeline';
import { memo, useMemo } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { ConstructionPlan } from '@/core/construction';
import { lengthStyleOf, type Id } from '@/core/record';
import { type Held, standOf } from '@/core/view';
import { MeasureWords, type Measuring } from '@/interface/measure';
import { StepList } from '@/interface/player';
import type { Stage } from '@/interface/services';
import { SetOutSentences, type SetOutPaper } from '@/interface/set-out';
import { currentView, projectOf, type WorkStore } from '@/state';
import { chosenPiece } from './chosen-piece';
import { LitSentence } from './LitSentence';
import { Sentences } from './Sentences';
import { useUnhurried } from './use-unhurried';

/** The sentences of what is chosen. While something is dragged they follow the paper at their own pace. */
export const CalmMeasureWords = memo(
  function CalmMeasureWords({
    store,
    measuring,
    readOnly,
  }: {
    readonly store: WorkStore;
    readonly measuring: Measuring;
    readonly readOnly: boolean;
  }) {
    const project = projectOf(useUnhurried(store));
    const style = lengthStyleOf(project);
    return (
      <MeasureWords
        project={project}
        measuring={measuring}
        style={style}
        commands={store.commands}
        readOnly={readOnly}
      />
    );
  },
  // The commands inside `measuring` are made anew with every look at the project; what is shown depends on these alone.
  (before, after) =>
    before.store === after.store &&
    before.readOnly === after.readOnly &&
    before.measuring.dragging &&
    after.measuring.dragging &&
    before.measuring.first === after.measuring.first,
);

interface MarginWordsProps {
  readonly store: WorkStore;
  readonly stage: Stage;
  readonly plan: ConstructionPlan | null;
  readonly step: number | null;
  readonly lit: Id | null;
  readonly litEdge: Id | null;
  readonly readOnly: boolean;
  readonly narrow: boolean;
  readonly scene: Scene;
  readonly held: Held;
  readonly hold: (held: Held) => void;
  readonly told: readonly string[];
  readonly tell: (sentences: readonly string[]) => void;
  readonly open: (paper: SetOutPaper) => void;
}

/** The sentences of the margin, in the order their place wants. While a handle is dragged they follow the paper at their own pace. */
export const MarginWords = memo(function MarginWords({
  store,
  stage,
  plan,
  step,
  lit,
  litEdge,
  readOnly,
  narrow,
  scene,
  held,
  hold,
  told,
  tell,
  open,
}: MarginWordsProps) {
  const state = useUnhurried(store);
  const { commands } = store;
  const project = projectOf(state);
  const view = currentView(project, state.desk);
  const chosen = chosenPiece(project, view);
  const { levels, spaces, openings, pieces, surfaces, units, fractions, rulerStepMm } = project;
  const style = useMemo(() => lengthStyleOf({ units, fractions, rulerStepMm }), [units, fractions, rulerStepMm]);
  const room = useMemo(
    () => ({ levels, spaces, openings, pieces, surfaces }),
    [levels, spaces, openings, pieces, surfaces],
  );
  const stand = useMemo(() => standOf(room, view), [room, view]);
  const setUp = stand.ok ? stand.value.setUp : null;
  const pointed = setUp ? (
    <LitSentence project={project} view={view} setUp={setUp} scene={scene} corner={lit} edge={litEdge} style={style} />
  ) : null;
  const small = { size: 'small', sx: { color: 'secondary.main' } } as const;
  const tracing = (
    <>
      <Button {...small} onClick={() => open('layers')}>
        layers
      </Button>
      <Button {...small} onClick={() => open('tape')}>
        measure in it
      </Button>
    </>
  );
  const sentences = (
    <Sentences
      project={project}
      room={room}
      view={view}
      chosen={chosen}
      style={style}
      commands={commands}
      readOnly={readOnly}
      setUp={setUp}
      bodies={scene.bodies}
    />
  );
  if (stage === 'set-out')
    return stand.ok ? (
      <>
        {lit !== null || litEdge !== null ? pointed : null}
        <SetOutSentences
          project={project}
          view={view}
          setUp={stand.value.setUp}
          setOut={stand.value.setOut}
          style={style}
          commands={commands}
          held={held}
          hold={hold}
          told={told}
          tell={tell}
          open={open}
          readOnly={readOnly}
        />
      </>
    ) : null;
  if (stage === 'stand') {
    const finder = (
      <Box sx={{ mb: 0.5 }}>
        {readOnly ? null : (
          <Button {...small} onClick={() => open('find')}>
            find a place to stand
          </Button>
        )}
        {tracing}
      </Box>
    );
    return narrow ? (
      <>
        {sentences}
        {finder}
        {pointed}
      </>
    ) : (
      <>
        {pointed}
        {finder}
        {sentences}
      </>
    );
  }
  if (narrow) return null;
  return (
    <>
      {pointed}
      <Box sx={{ mb: 0.5 }}>{tracing}</Box>
      {plan && step !== null ? <StepList plan={plan} step={step} style={style} goTo={commands.goToStep} /> : null}
    </>
  );
});
