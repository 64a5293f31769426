'use client';
import {
  createContext,
  startTransition,
  useCallback,
  useContext,
  useDeferredValue,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import { useStore } from 'zustand';
import useMediaQuery from '@mui/material/useMediaQuery';
import type { Result } from '@/core/base';
import type { LayersLaid } from '@/core/drawing';
import type { Scene } from '@/core/pipeline';
import { lengthStyleOf, type Id, type Project, type View } from '@/core/record';
import { contradictionsOf, type Contradiction } from '@/core/solids';
import type { LengthStyle } from '@/core/units';
import { seenIn, type SetUpError } from '@/core/view';
import { WordsBehind } from '@/interface/fields';
import { useSaving, useServices } from '@/interface/services';
import { currentView, projectOf, type Commands, type WorkStore } from '@/state';
import { chosenPiece } from './chosen-piece';
import { createKeptStates, type KeptStates } from './kept-state';
import { isLarge, useAskedAhead, usePerspective, useWholeScene, type Perspective } from './use-perspective';
import { useShownAfter } from './use-shown-after';
import { useUnhurried } from './use-unhurried';

/** What every component at the desk needs: asked for where it is needed, and handed through nothing. */
export interface Session {
  readonly store: WorkStore;
  readonly commands: Commands;
  /** The project; for words, where a drag has got to. */
  readonly project: Project;
  /** The project as it is kept: nothing of a drag is in it. */
  readonly settled: Project;
  readonly view: View;
  /** The piece this view constructs; null in a room without pieces. */
  readonly chosen: Id | null;
  readonly style: LengthStyle;
  readonly layers: LayersLaid | undefined;
  readonly readOnly: boolean;
  readonly dragging: boolean;
  /** Whether there is no room for a margin beside the paper. */
  readonly narrow: boolean;
  readonly kept: KeptStates;
}

/** What was worked out of the record. It comes in several steps after an edit: what only speaks of the record does not ask for it. */
export interface WorkedOut {
  /** Bodies of the settled project. */
  readonly scene: Scene;
  /** What is seen of the settled project from where one stands, or why nothing is. */
  readonly perspective: Result<Perspective, SetUpError>;
  readonly findings: readonly Contradiction[];
}

/**
 * What lies about the desk, whatever the record says: what is not about the record asks for this alone, and is not rendered with every edit.
 */
export interface Surroundings extends Pick<Session, 'store' | 'commands' | 'readOnly' | 'narrow' | 'kept'> {
  /** The session as it was rendered last: for what is done when something is pressed. */
  readonly now: () => Session & WorkedOut;
}

const SurroundingsContext = createContext<Surroundings | null>(null);
const SessionContext = createContext<Session | null>(null);
const WorkedOutContext = createContext<WorkedOut | null>(null);

export function useSession(): Session {
  const session = useContext(SessionContext);
  if (!session) throw new Error('A session is opened by the workbench');
  return session;
}

export function useSurroundings(): Surroundings {
  const surroundings = useContext(SurroundingsContext);
  if (!surroundings) throw new Error('A session is opened by the workbench');
  return surroundings;
}

export function useWorkedOut(): WorkedOut {
  const workedOut = useContext(WorkedOutContext);
  if (!workedOut) throw new Error('A session is opened by the workbench');
  return workedOut;
}

/** The style of a project's lengths: the same object while nothing of it changes. */
function useLengthStyle({ units, fractions, rulerStepMm }: Project): LengthStyle {
  return useMemo(() => lengthStyleOf({ units, fractions, rulerStepMm }), [units, fractions, rulerStepMm]);
}

const NONE_FOUND: readonly Contradiction[] = [];

/** One project at work. What is dragged is not rendered: boards hear the store by themselves, words have a session of their own. */
export function SessionProvider({
  store,
  readied,
  pictureFollows,
  children,
}: {
  readonly store: WorkStore;
  /** The scene, where it has been made already. */
  readonly readied: Scene | null;
  /** Whether the picture lies beside what one works at, and may follow it. */
  readonly pictureFollows: boolean;
  readonly children: ReactNode;
}) {
  const { lines } = useServices();
  const { saveStatus } = useSaving();
  const project = useStore(store, (state) => state.history.present);
  const desk = useStore(store, (state) => state.desk);
  const dragging = useStore(store, (state) => state.dragged !== null);
  const narrow = useMediaQuery('(max-width:1100px)');
  const [kept] = useState(createKeptStates);
  const view = currentView(project, desk);
  const seen = useMemo(() => seenIn(project, view), [project, view]);
  const chosen = chosenPiece(seen, view);
  const style = useLengthStyle(project);
  const asked = { project: seen, view, pieceId: chosen };
  const { perspective, awaited, ...looked } = usePerspective(asked, lines, desk.layers, readied, pictureFollows);
  const scene = useWholeScene(project, seen, looked.scene);
  useAskedAhead(store, lines, scene);
  // Findings wait for the end of a drag, for the exact picture, and for a quiet moment: rings that jump along with the pointer only distract.
  const [judged, setJudged] = useState(project);
  if (!awaited && judged !== project) setJudged(project);
  const found = useDeferredValue(judged, isLarge(scene) ? null : judged);
  const findings = useMemo(() => (found ? contradictionsOf(found) : NONE_FOUND), [found]);
  const readOnly = saveStatus === 'reading-only' || saveStatus === 'free';
  const { layers } = desk;
  const { commands } = store;
  const session = useMemo(
    (): Session => ({
      ...{ store, commands, project, settled: project, view, chosen, style, layers, readOnly, dragging, narrow },
      kept,
    }),
    [store, commands, project, view, chosen, style, layers, readOnly, dragging, narrow, kept],
  );
  const workedOut = useMemo((): WorkedOut => ({ scene, perspective, findings }), [scene, perspective, findings]);
  const latest = useRef({ ...session, ...workedOut });
  useEffect(() => {
    latest.current = { ...session, ...workedOut };
  });
  const now = useCallback(() => latest.current, []);
  const surroundings = useMemo(
    (): Surroundings => ({ store, commands, readOnly, narrow, kept, now }),
    [store, commands, readOnly, narrow, kept, now],
  );
  return (
    <SurroundingsContext value={surroundings}>
      <SessionContext value={session}>
        <WorkedOutContext value={workedOut}>{children}</WorkedOutContext>
      </SessionContext>
    </SurroundingsContext>
  );
}

/** What says that words are on their way is no box of its own. */
const NO_BOX = { display: 'contents' } as const;

/**
 * For words: they follow a drag at their own pace, eight times a second and between the frames, and an edit once it has been on the screen: what is worked
 * at comes first. Fields among them go ahead by themselves.
 */
export function UnhurriedSession({ children }: { readonly children: ReactNode }) {
  const [sessionNow, workedOutNow] = [useSession(), useWorkedOut()];
  const { store } = sessionNow;
  const stateNow = useUnhurried(store);
  const now = useMemo(
    () => ({ session: sessionNow, workedOut: workedOutNow, state: stateNow, words: children }),
    [sessionNow, workedOutNow, stateNow, children],
  );
  const shown = useShownAfter(now, true, startTransition);
  const { session, workedOut, state, words } = shown;
  const project = projectOf(state);
  const view = currentView(project, state.desk);
  const style = useLengthStyle(project);
  const chosen = chosenPiece(seenIn(project, view), view);
  const unhurried = useMemo(
    (): Session => ({ ...session, project, view, chosen, style }),
    [session, project, view, chosen, style],
  );
  const behind = useCallback(() => projectOf(store.getState()) !== project, [store, project]);
  return (
    <SessionContext value={unhurried}>
      <WorkedOutContext value={workedOut}>
        <WordsBehind value={behind}>
          <div aria-busy={shown !== now} style={NO_BOX}>
            {words}
          </div>
        </WordsBehind>
      </WorkedOutContext>
    </SessionContext>
  );
}
