CREATE TABLE `media` (
	`id` text PRIMARY KEY NOT NULL,
	`run_id` text NOT NULL,
	`type` text NOT NULL,
	`bytes` blob NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE INDEX `media_run` ON `media` (`run_id`);--> statement-breakpoint
ALTER TABLE `trial` ADD `ear_states` text DEFAULT '[]' NOT NULL;