/** What the measures of a place are called beside their dimension lines. */
export const MEASURE_WORDS: Record<string, string> = {
  ahead_length: "Length",
  ahead_off_kerb: "Off the kerb",
  ahead_width: "Width",
  behind_length: "Length",
  behind_off_kerb: "Off the kerb",
  gap: "Gap",
  bay_width: "Width",
  bay_depth: "Depth",
  before_off_line: "Off the line",
  beyond_off_line: "Off the line",
  aisle: "Aisle",
  guide: "Guide line",
  road_width: "Road width",
  corner_radius: "Radius",
  side_width: "Side road",
  goal_back: "Nose to mouth",
  goal_run: "To reverse",
};

/** What is taken hold of to change one. */
export const GRIP_WORDS: Record<string, string> = {
  gap: "Move the vehicle behind along the kerb",
  ahead_off_kerb: "Move the vehicle ahead off the kerb",
};
