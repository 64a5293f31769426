'use client';
import { thumbnailOf } from '@/core/pipeline';
import { useCallback, useEffect, useState } from 'react';
import { useRouter } from 'next/navigation';
import { readProject } from '@/core/formats/project';
import { freshId, type Project } from '@/core/record';
import { ProjectsPage, type ProjectCardShown } from '@/interface/projects';
import { newWork } from '@/state';
import { NO_DATABASE, projectStore, seedOnce, takeUpDemos } from './composition';
import { FIRST_STAGE } from '@/interface/stages';
import { newRoom } from './new-room';

/** All that is kept, each with a small picture. A project that cannot be read is listed without one: opening it says why. */
async function chest(): Promise<readonly ProjectCardShown[]> {
  const store = await projectStore();
  return Promise.all(
    (await store.list()).map(async (card) => {
      const loaded = await store.load(card.id);
      return { ...card, picture: loaded.ok ? thumbnailOf(loaded.value.work.history.present) : null };
    }),
  );
}

export default function Home() {
  const router = useRouter();
  const [projects, setProjects] = useState<readonly ProjectCardShown[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<{ fileName: string; message: string } | null>(null);

  const refresh = useCallback(async () => setProjects(await chest()), []);
  const attempt = useCallback(async (act: () => Promise<void>) => {
    try {
      await act();
      setProblem(null);
    } catch (error) {
      setProblem(
        error instanceof Error && error.name === 'QuotaExceededError'
          ? 'The browser’s store is full: nothing more was kept. Take projects away as files and remove some.'
          : NO_DATABASE,
      );
    }
  }, []);
  useEffect(() => {
    const openChest = async (): Promise<readonly ProjectCardShown[]> => {
      await seedOnce(await projectStore());
      return chest();
    };
    openChest().then(setProjects, () => {
      setProblem(NO_DATABASE);
      setProjects([]);
    });
  }, []);

  /** Keeps a project under an id of its own: bringing in a file never writes over what is there. */
  const keep = async (project: Project): Promise<string> => {
    const store = await projectStore();
    const id = freshId(project.id, new Set((await store.list()).map((card) => card.id)));
    await store.save(id, newWork({ ...project, id }));
    return id;
  };
  const open = (id: string, stage = FIRST_STAGE.id): void => router.push(`/project/${encodeURIComponent(id)}/${stage}`);
  return (
    <ProjectsPage
      projects={projects}
      problem={problem}
      refusal={refusal}
      open={open}
      take={(file) =>
        void attempt(async () => {
          const read = readProject(await file.text());
          setRefusal(read.ok ? null : { fileName: file.name, message: read.error.message });
          if (!read.ok) return;
          await keep(read.value);
          await refresh();
        })
      }
      addRoom={() => void attempt(async () => open(await keep(newRoom('room')), 'measure'))}
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
          await keep({ ...present, name: `${present.name}, copy` });
          await refresh();
        })
      }
      remove={(id) =>
        void attempt(async () => {
          await (await projectStore()).remove(id);
          await refresh();
        })
      }
    />
  );
}
