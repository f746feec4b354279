package yellowrail.app.load;

import yellowrail.core.load.LoadMap;

/** One cell of the map, with the speakers of its row. */
public record OpenCell(LoadMap.Row row, LoadMap.Cell cell) {}
