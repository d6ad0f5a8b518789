/** Where a browser's own control stands in a room, and why: no library has them. A file that isn't here takes the library's,
 * dressed as ours. */
export const drawn = {
  'web/src/areas/RoomLayout.vue': 'the rail',
  'web/src/areas/TopLine.vue': 'the find box, with rows found',
  'web/src/areas/bench/AssemblyStation.vue': 'marks of a step',
  'web/src/areas/bench/BalanceStation.vue': 'a bar beside each figure',
  'web/src/areas/bench/ControllerCard.vue': 'a card like the controller’s own',
  'web/src/areas/bench/PlaceStation.vue':
    'an hour at another place, that may be skipped there: the library’s picker reckons in the device’s own zone',
  'web/src/areas/bench/StationLine.vue': 'a line of stations',
  'web/src/areas/bench/finder/SeenPad.vue': 'a pad',
  'web/src/areas/bench/finder/TargetChoice.vue': 'rows with the reason of those that are barred',
  'web/src/areas/calendar/KitLine.vue': 'a bar that is dragged',
  'web/src/areas/desk/BorrowerPicker.vue': 'rows found',
  'web/src/areas/desk/CellAlarm.vue': 'an alarm that has to be answered',
  'web/src/areas/desk/follow-up/LettersPage.vue': 'a row that opens',
  'web/src/areas/guides/BlockList.vue': 'a row that is dragged',
  'web/src/areas/practice/PracticeTubePage.vue': 'a lens',
  'web/src/areas/setup/LabelsPage.vue': 'cells of a sheet of labels',
  'web/src/areas/setup/ListSheet.vue': 'a list’s sheet as it was sent',
  'web/src/areas/shelf/ShelfPage.vue': 'moons to filter by',
  'web/src/areas/shelf/ShelfRow.vue': 'a row of the Shelf',
}
