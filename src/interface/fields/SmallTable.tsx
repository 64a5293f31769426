'use client';
import type { ReactNode } from 'react';
import Box from '@mui/material/Box';
import { useLook } from '@/interface/theme';

interface SmallTableProps {
  readonly label: string;
  /** What its columns are; the first is that of the rows' own heads. */
  readonly heads: readonly string[];
  /** How high its rows are: close beside the paper, roomy on a sheet of its own. */
  readonly rows: 'close' | 'roomy';
  /** Rows, each beginning with a head of its own. */
  readonly children: ReactNode;
}

/** Figures in rows and columns, ruled with thin lines: the first column to the left, all others to the right. */
export function SmallTable({ label, heads, rows, children }: SmallTableProps) {
  const { look } = useLook();
  return (
    <Box
      component="table"
      aria-label={label}
      sx={{
        borderCollapse: 'collapse',
        width: '100%',
        mb: 1,
        fontSize: rows === 'close' ? 14 : 14.5,
        '& td, & th': {
          textAlign: 'right',
          py: 0.25,
          px: rows === 'close' ? 0 : 0.5,
          '& + *': { pl: 0.75 },
          borderBottom: `1px solid ${look.rule}`,
          fontWeight: 400,
        },
        '& thead th': { color: look.faint, lineHeight: 1.2, verticalAlign: 'bottom' },
        '& th:first-of-type': { textAlign: 'left' },
      }}
    >
      <thead>
        <tr>
          {heads.map((head) => (
            <th key={head} scope="col">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>{children}</tbody>
    </Box>
  );
}
