CREATE TABLE `grid` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`west` real NOT NULL,
	`north` real NOT NULL,
	`step_lon` real NOT NULL,
	`step_lat` real NOT NULL,
	`scale_m` real NOT NULL,
	`filled_cells` integer NOT NULL,
	`void_cells` integer NOT NULL,
	`created_at` text NOT NULL
) STRICT;
