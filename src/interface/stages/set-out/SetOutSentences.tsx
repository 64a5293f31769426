'use client';
import Box from '@mui/material/Box';
import { useLook } from '@/interface/theme';
import { GridSentence } from './GridSentence';
import { PaperSentences } from './PaperSentences';
import { PointSentences } from './PointSentences';
import type { SetOutSentencesProps } from './use-change';

/** Sheet, board, scale and the points on the horizon, in sentences with their figures editable in place. At most nine. */
export function SetOutSentences(props: SetOutSentencesProps) {
  const { told } = props.desk;
  const { look } = useLook();
  return (
    <Box component="section" aria-label="The paper in figures">
      {told.length > 0 ? (
        <Box
          role="status"
          data-testid="what-moved"
          sx={{ borderLeft: `3px solid ${look.accent}`, pl: 1, mb: 1.2, fontSize: 14, lineHeight: 1.4 }}
        >
          {told.join(' ')}
        </Box>
      ) : null}
      <PaperSentences {...props} />
      <PointSentences {...props} />
      <GridSentence {...props} />
    </Box>
  );
}
