/** The endings of files with places, ways and areas that can be read. */
export const MAP_FILES = '.gpx,.kml,.kmz,.geojson,.json'
