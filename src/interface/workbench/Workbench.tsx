'use client';
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import Box from '@mui/material/Box';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useSnackbar } from 'notistack';
import { useStore } from 'zustand';
import { choosePiece, findingsOf, lengthStyleOf, type Id, type Project, type View } from '@/core/record';
import { viewWarnings } from '@/core/view';
import { Board, cornersOf, usePerspective, type BoardCommands } from '@/interface/board';
import { useServices, type Stage } from '@/interface/services';
import { useLook } from '@/interface/theme';
import { StepList } from '@/interface/player';
import { currentView, projectOf, type WorkStore } from '@/state';
import type { ConstructionPlan } from '@/core/construction';
import { FootRow } from './FootRow';
import { Help } from './Help';
import { LitSentence } from './LitSentence';
import { ProblemPaper } from './ProblemPaper';
import { Sentences } from './Sentences';
import { SetOutSheet } from './SetOutSheet';
import { TitleLine } from './TitleLine';
import { useShortcuts } from './use-shortcuts';
import { useUnhurried } from './use-unhurried';
import { standOf } from '@/core/drawing';

const chosenPiece = (project: Project, view: View): Id | null =>
  project.plans.find((plan) => plan.viewId === view.id)?.pieceId ?? project.pieces[0]?.id ?? null;

/** The workbench for one open project: title line, margin, paper, foot row. */
export function Workbench({ store, stage }: { readonly store: WorkStore; readonly stage: Stage }) {
  const { look } = useLook();
  const services = useServices();
  const { enqueueSnackbar } = useSnackbar();
  const { commands } = store;
  const project = useStore(store, projectOf);
  const desk = useStore(store, (state) => state.desk);
  const refusal = useStore(store, (state) => state.refusal);
  const dragging = useStore(store, (state) => state.dragged !== null);
  const canUndo = useStore(store, (state) => state.history.past.at(-1)?.label ?? null);
  const canRedo = useStore(store, (state) => state.history.future[0]?.label ?? null);
  const view = currentView(project, desk);
  const chosen = chosenPiece(project, view);
  const { units, fractions, rulerStepMm } = project;
  const style = useMemo(() => lengthStyleOf({ units, fractions, rulerStepMm }), [units, fractions, rulerStepMm]);
  const readOnly = services.keeping === 'reading-only';
  const narrow = useMediaQuery('(max-width:1100px)');
  const board = useRef<BoardCommands | null>(null);
  const [lit, setLit] = useState<Id | null>(null);
  const [litEdge, setLitEdge] = useState<Id | null>(null);
  const [paper, setPaper] = useState<'none' | 'set-out' | 'help'>('none');

  const wanted = stage === 'draw' ? Math.max(1, desk.steps[view.id] ?? 1) : null;
  const perspective = usePerspective(project, view, chosen, wanted, services.lines);
  const plan = perspective.ok && perspective.value.construction?.ok ? perspective.value.construction.value.plan : null;
  const step = wanted === null || !plan ? null : Math.min(wanted, plan.steps.length);
  // Findings and warnings wait for the end of a drag: rings that jump along with the pointer only distract.
  const settled = useStore(store, (state) => state.history.present);
  const findings = useMemo(() => findingsOf(settled), [settled]);
  const stands = !dragging && perspective.ok ? perspective.value : null;
  const rings = useMemo(
    () => (stands ? [...findings, ...viewWarnings(stands.stand.set, stands.scene.bodies)] : findings),
    [findings, stands],
  );

  useEffect(() => {
    if (!refusal) return;
    enqueueSnackbar(refusal, { variant: 'error', autoHideDuration: 8000 });
    commands.forgetRefusal();
  }, [refusal, commands, enqueueSnackbar]);

  const choose = (pieceId: Id): void => {
    if (readOnly || pieceId === chosen) return;
    commands.change(`Choose ${project.pieces.find((piece) => piece.id === pieceId)?.name ?? 'a piece'}`, (now) =>
      choosePiece(now, view.id, pieceId),
    );
    commands.goToStep(1);
  };
  /** The next of a list; from nothing, the walk begins at the piece at hand. */
  const walked = (list: readonly { readonly id: Id; readonly body: Id }[], now: Id | null, by: 1 | -1): Id | null => {
    const at =
      now === null
        ? list.findIndex((one) => one.body === chosen) - (by === 1 ? 1 : 0)
        : list.findIndex((one) => one.id === now);
    return list[(at + by + list.length) % list.length]?.id ?? null;
  };
  const pointAt = useCallback((corner: Id | null): void => {
    setLit(corner);
    setLitEdge(null);
  }, []);
  const walkCorners = (by: 1 | -1): void => {
    if (perspective.ok)
      pointAt(
        walked(
          cornersOf(perspective.value.scene.bodies).map((corner) => ({ id: corner.id, body: corner.bodyId })),
          lit,
          by,
        ),
      );
  };
  const walkEdges = (by: 1 | -1): void => {
    if (!perspective.ok) return;
    setLitEdge(walked(perspective.value.scene.prepared.edges, litEdge, by));
    setLit(null);
  };
  const walkPieces = (by: 1 | -1): void => {
    const at = project.pieces.findIndex((piece) => piece.id === chosen);
    const next = project.pieces[(at + by + project.pieces.length) % project.pieces.length];
    if (next) choose(next.id);
  };
  useShortcuts(
    {
      undo: commands.undo,
      redo: commands.redo,
      fit: () => board.current?.fit(),
      equalise: () => board.current?.equalise(),
      nextCorner: () => walkCorners(1),
      previousCorner: () => walkCorners(-1),
      nextEdge: () => walkEdges(1),
      previousEdge: () => walkEdges(-1),
      nextPiece: () => walkPieces(1),
      previousPiece: () => walkPieces(-1),
      stand: () => services.goTo('stand'),
      draw: () => services.goTo('draw'),
      setOut: () => setPaper(paper === 'set-out' ? 'none' : 'set-out'),
      help: () => setPaper(paper === 'help' ? 'none' : 'help'),
      layAside: () => (dragging ? commands.cancelDrag() : paper !== 'none' ? setPaper('none') : pointAt(null)),
      nextStep: () => plan && step !== null && commands.goToStep(Math.min(plan.steps.length, step + 1)),
      previousStep: () => step !== null && commands.goToStep(Math.max(1, step - 1)),
      firstStep: () => step !== null && commands.goToStep(1),
      lastStep: () => plan && step !== null && commands.goToStep(plan.steps.length),
    },
    stage,
  );

  const desktop = useRef({ project, view, chosen, perspective });
  useEffect(() => {
    desktop.current = { project, view, chosen, perspective };
  });
  const onDesk = useCallback(() => {
    const now = desktop.current;
    return {
      project: now.project,
      view: now.view,
      chosen: now.chosen,
      perspective: now.perspective.ok ? now.perspective.value : null,
    };
  }, []);
  const toggleSetOut = useCallback(() => setPaper((now) => (now === 'set-out' ? 'none' : 'set-out')), []);
  const showHelp = useCallback(() => setPaper('help'), []);
  const construction = perspective.ok ? perspective.value.construction : null;
  const inMargin = (
    <MarginWords
      store={store}
      stage={stage}
      plan={plan}
      step={step}
      lit={lit}
      litEdge={litEdge}
      readOnly={readOnly}
      narrow={narrow}
    />
  );
  return (
    <Box sx={{ height: '100dvh', display: 'flex', flexDirection: 'column', overflow: 'hidden' }}>
      <TitleLine
        projectName={project.name}
        views={dragging ? settled.views : project.views}
        viewId={view.id}
        stage={stage}
        stands={perspective.ok}
        desk={onDesk}
        commands={commands}
        readOnly={readOnly}
        canUndo={canUndo}
        canRedo={canRedo}
        setOutShown={paper === 'set-out'}
        showSetOut={toggleSetOut}
        showHelp={showHelp}
      />
      <Box sx={{ flex: 1, minHeight: 0, display: 'flex', flexDirection: narrow ? 'column-reverse' : 'row' }}>
        <Box
          component="aside"
          aria-label="Margin"
          sx={{
            width: narrow ? '100%' : 232,
            flexShrink: 0,
            overflow: 'auto',
            p: narrow ? '6px 16px' : '12px 14px',
            backgroundColor: look.margin,
            [narrow ? 'borderTop' : 'borderRight']: `1px solid ${look.rule}`,
            ...(narrow
              ? {
                  maxHeight: stage === 'draw' ? 0 : 84,
                  ...(stage === 'draw' ? { p: 0 } : {}),
                  '& p': { display: 'inline', mr: 1 },
                }
              : {}),
          }}
        >
          {inMargin}
        </Box>
        <Box
          component="main"
          sx={{
            position: 'relative',
            flex: 1,
            minWidth: 0,
            minHeight: 0,
            display: 'flex',
            backgroundColor: look.paper,
            backgroundImage:
              look.tooth > 0
                ? `url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='160' height='160'%3E%3Cfilter id='t'%3E%3CfeTurbulence type='fractalNoise' baseFrequency='.8' numOctaves='3'/%3E%3CfeColorMatrix values='0 0 0 0 .3 0 0 0 0 .27 0 0 0 0 .2 0 0 0 ${look.tooth} 0'/%3E%3C/filter%3E%3Crect width='160' height='160' filter='url(%23t)'/%3E%3C/svg%3E")`
                : 'none',
          }}
        >
          {perspective.ok ? (
            <Board
              project={project}
              view={view}
              perspective={perspective.value}
              stage={stage}
              chosen={chosen}
              step={step}
              litCorner={lit}
              litEdge={litEdge}
              light={pointAt}
              choose={choose}
              commands={commands}
              rings={rings}
              readOnly={readOnly}
              dragging={dragging}
              boardRef={board}
            />
          ) : (
            <ProblemPaper message={perspective.error.message} undo={canUndo ? commands.undo : null} />
          )}
          {paper === 'set-out' && perspective.ok ? (
            <SetOutSheet
              project={project}
              view={view}
              setOut={perspective.value.stand.setOut}
              style={style}
              close={() => setPaper('none')}
            />
          ) : null}
          {paper === 'help' ? <Help close={() => setPaper('none')} /> : null}
        </Box>
      </Box>
      <FootRow
        viewName={view.name}
        stage={stage}
        roomTurnDeg={perspective.ok ? (perspective.value.stand.setOut.groups[0]?.turnDeg ?? null) : null}
        quick={perspective.ok && perspective.value.quick}
        refusal={construction && !construction.ok ? construction.error.message : null}
        plan={plan}
        step={step}
        style={style}
        rings={rings}
        goToStep={commands.goToStep}
        narrow={narrow}
        chosenName={project.pieces.find((piece) => piece.id === chosen)?.name ?? null}
      />
    </Box>
  );
}

interface MarginWordsProps {
  readonly store: WorkStore;
  readonly stage: Stage;
  readonly plan: ConstructionPlan | null;
  readonly step: number | null;
  readonly lit: Id | null;
  readonly litEdge: Id | null;
  readonly readOnly: boolean;
  readonly narrow: boolean;
}

/** The sentences of the margin, in the order their place wants. While a handle is dragged they follow the paper at their own pace. */
const MarginWords = memo(function MarginWords({
  store,
  stage,
  plan,
  step,
  lit,
  litEdge,
  readOnly,
  narrow,
}: MarginWordsProps) {
  const state = useUnhurried(store);
  const { commands } = store;
  const project = projectOf(state);
  const view = currentView(project, state.desk);
  const chosen = chosenPiece(project, view);
  const style = lengthStyleOf(project);
  const stand = useMemo(() => standOf(project, view), [project, view]);
  const set = stand.ok ? stand.value.set : null;
  const pointed = set ? (
    <LitSentence project={project} view={view} set={set} corner={lit} edge={litEdge} style={style} />
  ) : null;
  const sentences = (
    <Sentences
      project={project}
      view={view}
      chosen={chosen}
      style={style}
      commands={commands}
      readOnly={readOnly}
      set={set}
    />
  );
  if (stage === 'stand')
    return narrow ? (
      <>
        {sentences}
        {pointed}
      </>
    ) : (
      <>
        {pointed}
        {sentences}
      </>
    );
  if (narrow) return null;
  return (
    <>
      {pointed}
      {plan && step !== null ? <StepList plan={plan} step={step} style={style} goTo={commands.goToStep} /> : null}
    </>
  );
});
