CREATE TABLE `attachment` (
	`id` text PRIMARY KEY NOT NULL,
	`part_id` text NOT NULL,
	`name` text NOT NULL,
	`type` text NOT NULL,
	`bytes` blob NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`part_id`) REFERENCES `part`(`id`) ON UPDATE no action ON DELETE cascade
) STRICT;
--> statement-breakpoint
CREATE INDEX `attachment_part` ON `attachment` (`part_id`);--> statement-breakpoint
CREATE TABLE `part` (
	`id` text PRIMARY KEY NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	`kind` text NOT NULL,
	`name` text NOT NULL,
	`spec` text NOT NULL,
	`owned` integer DEFAULT 1 NOT NULL,
	`weight_g` real,
	`worn_mm` real,
	`price` real,
	`note` text DEFAULT '' NOT NULL,
	`created_at` text NOT NULL
) STRICT;
--> statement-breakpoint
CREATE TABLE `rule_set` (
	`id` text PRIMARY KEY NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	`body` text NOT NULL,
	`created_at` text NOT NULL
) STRICT;
--> statement-breakpoint
ALTER TABLE `rig` ADD `assembly` text;--> statement-breakpoint
ALTER TABLE `trial` ADD `service` text;--> statement-breakpoint
ALTER TABLE `trial` ADD `packing` text;--> statement-breakpoint
ALTER TABLE `trial` ADD `cautions_read` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `unit` ADD `part_id` text REFERENCES part(id);--> statement-breakpoint
CREATE INDEX `unit_part` ON `unit` (`part_id`);