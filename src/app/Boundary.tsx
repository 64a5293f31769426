'use client';
import { Component, type ReactNode } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { projectFileOf } from '@/interface/outputs';
import type { WorkStore } from '@/state';
import { projectStore } from './composition';
import { handOver } from './hand-over';

interface BoundaryProps {
  readonly store: WorkStore;
  readonly projectId: string;
  /** Why what one does is not kept, while it is not. */
  readonly trouble: string | null;
  readonly children: ReactNode;
}

/** A page that cannot be shown is never blank: what led there can be undone, taken away, or left. */
export class Boundary extends Component<BoundaryProps, { readonly fell: Error | null; readonly said: string | null }> {
  override state = { fell: null as Error | null, said: null as string | null };

  static getDerivedStateFromError(fell: Error) {
    return { fell };
  }

  private readonly again = (): void => this.setState({ fell: null, said: null });

  private readonly undo = (): void => {
    this.props.store.commands.undo();
    this.again();
  };

  private readonly takeAway = (): void => handOver(...projectFileOf(this.props.store.commands.present()));

  /** The save before becomes the present, as a change that can be undone. */
  private readonly before = async (): Promise<void> => {
    const loaded = await (await projectStore()).load(this.props.projectId, 'before');
    if (!loaded.ok) return this.setState({ said: 'There is no save before this one that can be read.' });
    this.props.store.commands.goBackTo(loaded.value.work.history.present, 'back to the save before');
    this.again();
  };

  override render() {
    const { fell, said } = this.state;
    if (!fell) return this.props.children;
    const undoes = this.props.store.getState().history.past.length > 0;
    return (
      <Box role="alert" sx={{ p: 4, fontSize: 18, maxWidth: 620 }}>
        <Box component="h1" sx={{ fontSize: 24, fontWeight: 500, m: 0, mb: 1 }}>
          This page cannot be shown
        </Box>
        Something in the project could not be drawn. What you did is still here: undo the last of it, go back to the
        save before, or take the file away.
        {this.props.trouble === null ? null : <Box sx={{ mt: 1 }}>Not saved. {this.props.trouble}</Box>}
        {said === null ? null : <Box sx={{ mt: 1 }}>{said}</Box>}
        <Box sx={{ mt: 2, display: 'flex', gap: 1.5, flexWrap: 'wrap' }}>
          <Button variant="contained" disabled={!undoes} onClick={this.undo}>
            undo the last change
          </Button>
          <Button onClick={() => void this.before()}>go back to the save before</Button>
          <Button onClick={this.takeAway}>take the file away</Button>
          <Button onClick={this.again}>try again</Button>
          <Button href="/">all projects</Button>
        </Box>
      </Box>
    );
  }
}
