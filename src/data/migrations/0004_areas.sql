CREATE TABLE `area` (
	`id` text PRIMARY KEY NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	`name` text DEFAULT '' NOT NULL,
	`kind` text NOT NULL,
	`height_m` real NOT NULL,
	`rings` text NOT NULL,
	`created_at` text NOT NULL
) STRICT;
--> statement-breakpoint
CREATE TABLE `backdrop` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`attribution` text DEFAULT '' NOT NULL,
	`format` text NOT NULL,
	`min_zoom` integer NOT NULL,
	`max_zoom` integer NOT NULL,
	`bounds` text,
	`created_at` text NOT NULL
) STRICT;
