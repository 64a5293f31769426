'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useRouter } from 'next/navigation';
import { useSnackbar } from 'notistack';
import { isBackup } from '@/core/formats/backup';
import { readProjectInSteps, valueOf } from '@/core/formats/project';
import { freshId, nameApart, nameWith, type Project } from '@/core/record';
import { inTurns } from '@/persistence';
import { ProjectsPage, type ProjectCardShown } from '@/interface/projects';
import { newWork } from '@/state';
import { bringBack, broughtBackWords, everything, onlyHere } from './backup';
import { noteTakenAway, projectStore, seedOnce, takenAway, takeUpDemos } from './composition';
import { createSmallPictureClient, startSmallPictureWorker } from '@/workers';
import { cardsOf, completed } from './chest';
import { handOver } from './hand-over';
import { newRoom, pieceAlone } from './new-room';
import { storeTrouble } from './save-words';

/** Hands everything over as one file. @returns what has to be said of it, null where nothing has. */
async function takeEverythingAway(): Promise<string | null> {
  const now = new Date();
  const { text, ids, unread } = await everything(await projectStore(), now);
  handOver(`bathyskop-${now.toISOString().slice(0, 10)}.json`, 'application/json', text);
  await noteTakenAway(ids);
  return unread.length === 0
    ? null
    : `Not in the file, for they cannot be read: ${unread.join(', ')}. Take away what is kept of each by its own button.`;
}

/** Keeps a project under an id and a name of its own: bringing in a file never writes over what is there, and no two are called the same. */
function useKeep(): (project: Project) => Promise<string> {
  const { enqueueSnackbar } = useSnackbar();
  return async (project) => {
    const store = await projectStore();
    const cards = await store.list();
    const id = freshId(project.id, new Set(cards.map((card) => card.id)));
    const name = nameApart(project.name, new Set(cards.map((card) => card.name)));
    await store.create(id, newWork({ ...project, id, name }));
    if (name !== project.name)
      enqueueSnackbar(`There is a “${project.name}” already: this one is called “${name}”.`, {
        autoHideDuration: 8000,
      });
    return id;
  };
}

export function Chest() {
  const router = useRouter();
  const [projects, setProjects] = useState<readonly ProjectCardShown[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const [alone, setAlone] = useState<ReturnType<typeof onlyHere>>([]);
  const [refusal, setRefusal] = useState<{ fileName: string; message: string } | null>(null);

  const [pictures] = useState(() => createSmallPictureClient(startSmallPictureWorker));
  useEffect(() => () => pictures.cancel(), [pictures]);
  const newest = useRef(0);

  /** What is kept is shown at once; what has no picture yet is read and drawn one by one. */
  const refresh = useCallback(async (): Promise<void> => {
    const mine = (newest.current += 1);
    const store = await projectStore();
    const cards = await cardsOf(store);
    if (mine !== newest.current) return;
    setProjects(cards);
    setAlone(onlyHere(cards, await takenAway()));
    for (const card of cards.filter((one) => one.picture.is === 'waiting')) {
      const done = await completed(store, pictures.draw, card);
      if (mine !== newest.current) return;
      setProjects((now) => now?.map((one) => (one.id === done.id ? done : one)) ?? null);
    }
  }, [pictures]);
  const attempt = useCallback(async (act: () => Promise<void>) => {
    try {
      await act();
      setProblem(null);
    } catch (error) {
      setProblem(storeTrouble(error));
    }
  }, []);
  useEffect(() => {
    const openChest = async (): Promise<void> => {
      await seedOnce(await projectStore());
      await refresh();
    };
    openChest().catch((error: unknown) => {
      setProblem(storeTrouble(error));
      setProjects((now) => now ?? []);
    });
  }, [refresh]);

  const keep = useKeep();
  // The stages come with the first project that is opened: the list needs none of them.
  const open = async (id: string, stage?: string): Promise<void> => {
    const at = stage ?? (await import('@/interface/stages')).FIRST_STAGE.id;
    router.push(`/project/${encodeURIComponent(id)}/${at}`);
  };
  return (
    <ProjectsPage
      projects={projects}
      problem={problem}
      refusal={refusal}
      told={told}
      onlyHere={alone}
      takeEverything={() =>
        void attempt(async () => {
          setTold(await takeEverythingAway());
          await refresh();
        })
      }
      open={(id) => void attempt(() => open(id))}
      take={(file) =>
        void attempt(async () => {
          const value = valueOf(await file.text());
          setTold(null);
          if (value.ok && isBackup(value.value)) {
            const back = await bringBack(await projectStore(), value.value);
            setRefusal(back.ok ? null : { fileName: file.name, message: back.error });
            if (back.ok) setTold(broughtBackWords(back.value));
            return refresh();
          }
          // A large one takes a while: the page lives meanwhile.
          const read = value.ok ? await inTurns(readProjectInSteps(value.value, new WeakSet())) : value;
          setRefusal(read.ok ? null : { fileName: file.name, message: read.error.message });
          if (!read.ok) return;
          await open(await keep(read.value));
        })
      }
      addRoom={() => void attempt(async () => open(await keep(newRoom('room')), 'measure'))}
      addPiece={() => void attempt(async () => open(await keep(pieceAlone('piece')), 'measure'))}
      addDemos={() =>
        void attempt(async () => {
          await takeUpDemos(await projectStore());
          await refresh();
        })
      }
      copy={(id) =>
        void attempt(async () => {
          const loaded = await (await projectStore()).load(id);
          if (!loaded.ok) return setProblem(loaded.error.message);
          const { present } = loaded.value.work.history;
          await keep({ ...present, name: nameWith(present.name, ', copy') });
          await refresh();
        })
      }
      remove={(id) =>
        void attempt(async () => {
          await (await projectStore()).remove(id);
          await refresh();
        })
      }
      takeAway={(id) =>
        void attempt(async () => handOver(`${id}-saves.json`, 'application/json', await (await projectStore()).raw(id)))
      }
      repair={(id) =>
        void attempt(async () => {
          const project = await (await projectStore()).salvage(id);
          if (!project) return setProblem('No state in its history can be read either. Take away what is kept.');
          await keep({ ...project, name: nameWith(project.name, ', repaired') });
          await refresh();
        })
      }
    />
  );
}
