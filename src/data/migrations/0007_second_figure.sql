CREATE TABLE `setting` (
	`key` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
) STRICT;
--> statement-breakpoint
ALTER TABLE `rig` ADD `antenna` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `rig` ADD `sensitivity_dbm` real;--> statement-breakpoint
ALTER TABLE `trial` ADD `place_of` text;--> statement-breakpoint
ALTER TABLE `trial` ADD `also` text;