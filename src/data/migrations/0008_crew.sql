CREATE TABLE `device` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`sign` text NOT NULL,
	`role` text NOT NULL,
	`token_hash` text NOT NULL,
	`created_at` text NOT NULL,
	`last_seen_at` text,
	`revoked_at` text
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `device_token_hash_unique` ON `device` (`token_hash`);--> statement-breakpoint
CREATE TABLE `device_run` (
	`device_id` text NOT NULL,
	`run_id` text NOT NULL,
	`post` text,
	`rig_ids` text DEFAULT '[]' NOT NULL,
	PRIMARY KEY(`device_id`, `run_id`),
	FOREIGN KEY (`device_id`) REFERENCES `device`(`id`) ON UPDATE no action ON DELETE cascade
) STRICT;
--> statement-breakpoint
CREATE TABLE `pairing` (
	`id` text PRIMARY KEY NOT NULL,
	`code_hash` text NOT NULL,
	`name` text NOT NULL,
	`role` text NOT NULL,
	`runs` text DEFAULT '[]' NOT NULL,
	`expires_at` text NOT NULL,
	`used_at` text
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `pairing_code_hash_unique` ON `pairing` (`code_hash`);--> statement-breakpoint
CREATE TABLE `stray_entry` (
	`id` text PRIMARY KEY NOT NULL,
	`run_id` text NOT NULL,
	`sender` text,
	`entry` text NOT NULL,
	`received_at` text NOT NULL
) STRICT;
--> statement-breakpoint
CREATE INDEX `stray_entry_run` ON `stray_entry` (`run_id`);--> statement-breakpoint
ALTER TABLE `entry` ADD `sender` text;