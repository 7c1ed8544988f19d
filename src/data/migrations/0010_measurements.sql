CREATE TABLE `measurement` (
	`id` text PRIMARY KEY NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	`kind` text NOT NULL,
	`name` text NOT NULL,
	`part_id` text,
	`taken_at` text NOT NULL,
	`source` text NOT NULL,
	`instrument` text DEFAULT '' NOT NULL,
	`conditions` text DEFAULT '' NOT NULL,
	`body` text NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`part_id`) REFERENCES `part`(`id`) ON UPDATE no action ON DELETE set null
) STRICT;
--> statement-breakpoint
CREATE INDEX `measurement_part` ON `measurement` (`part_id`);--> statement-breakpoint
CREATE INDEX `measurement_kind` ON `measurement` (`kind`);