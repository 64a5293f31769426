/** Which sheet lies over the board. */
export type SetOutPaper = 'none' | 'table' | 'reach' | 'print' | 'report' | 'guess' | 'find' | 'layers' | 'tape';
