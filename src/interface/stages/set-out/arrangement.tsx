import type { Layer } from '@/core/drawing';
import { bandsLayout, fitBoardPose, fitSheetPose, allOn, wholeInBands, type Arrangement } from '@/interface/board';
import { GuessMarks } from './GuessMarks';
import { setOutPainters } from './painters';
import { setOutPlaces } from './places';
import { SetOutHandles } from './SetOutHandles';
import { SetOutWords } from './SetOutWords';
import type { SettingOut } from './use-setting-out';

/** Board, sheet and all points; the drawing to come is pale, for here one lays out the paper. */
export const arrangement = (desk: SettingOut, grid: Layer | null): Omit<Arrangement, 'pointer'> => ({
  layout: bandsLayout,
  fits: [
    ({ layout, view, setUp, scene }) => wholeInBands(fitBoardPose(layout, view), layout, setUp, scene.bodies),
    ({ layout, view, setUp, scene }) => wholeInBands(fitSheetPose(layout, view), layout, setUp, scene.bodies),
  ],
  lies: 'the-board',
  painters: setOutPainters(grid),
  places: (placing) => allOn(setOutPlaces(placing)),
  words: (overlaid) => <SetOutWords {...overlaid} />,
  over: (handled) => (
    <>
      <GuessMarks {...handled} />
      <SetOutHandles {...handled} held={desk.held} tell={desk.tell} />
    </>
  ),
});
