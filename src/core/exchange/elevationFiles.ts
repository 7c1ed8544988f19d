/** What elevation is read from, for a choice of files. */
export const ELEVATION_FILES = '.hgt,.tif,.tiff,.asc,.xyz,.prj,.gpx,.txt,.gz,.zip'
