CREATE TABLE `entry` (
	`id` text PRIMARY KEY NOT NULL,
	`run_id` text NOT NULL,
	`device` text NOT NULL,
	`role` text NOT NULL,
	`wall_time` text NOT NULL,
	`seq` integer NOT NULL,
	`kind` text NOT NULL,
	`supersedes` text,
	`body` text NOT NULL,
	`received_at` text NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE INDEX `entry_run` ON `entry` (`run_id`);--> statement-breakpoint
CREATE TABLE `imported_file` (
	`hash` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`trial_id` text NOT NULL,
	`run_id` text,
	`created_at` text NOT NULL,
	FOREIGN KEY (`trial_id`) REFERENCES `trial`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE TABLE `leg` (
	`id` text PRIMARY KEY NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	`site_id` text NOT NULL,
	`name` text NOT NULL,
	`how` text NOT NULL,
	`bearing_deg` real,
	`way` text NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE TABLE `link` (
	`id` text PRIMARY KEY NOT NULL,
	`trial_id` text NOT NULL,
	`position` integer NOT NULL,
	`base_rig_id` text NOT NULL,
	`out_rig_id` text NOT NULL,
	`other_site_id` text,
	FOREIGN KEY (`trial_id`) REFERENCES `trial`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`base_rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`out_rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`other_site_id`) REFERENCES `site`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `link_once` ON `link` (`trial_id`,`base_rig_id`,`out_rig_id`);--> statement-breakpoint
CREATE TABLE `mark` (
	`id` text PRIMARY KEY NOT NULL,
	`leg_id` text NOT NULL,
	`position` integer NOT NULL,
	`name` text NOT NULL,
	`how` text DEFAULT 'coordinates' NOT NULL,
	`lat` real,
	`lon` real,
	`distance_m` real NOT NULL,
	`distance_sd_m` real,
	`along_m` real,
	`bearing_deg` real,
	FOREIGN KEY (`leg_id`) REFERENCES `leg`(`id`) ON UPDATE no action ON DELETE cascade
) STRICT;
--> statement-breakpoint
CREATE INDEX `mark_leg` ON `mark` (`leg_id`);--> statement-breakpoint
CREATE TABLE `rig` (
	`id` text PRIMARY KEY NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	`letter` text NOT NULL,
	`name` text NOT NULL,
	`kind` text NOT NULL,
	`tx_mhz` real NOT NULL,
	`rx_mhz` real,
	`bandwidth_khz` real,
	`mode` text DEFAULT 'FM' NOT NULL,
	`power_w` real NOT NULL,
	`antenna_height_m` real NOT NULL,
	`antenna_gain_dbi` real,
	`lead_loss_db` real,
	`attenuator_db` real DEFAULT 0 NOT NULL,
	`attenuator_at` text DEFAULT 'both ways' NOT NULL,
	`ports` text DEFAULT '[]' NOT NULL,
	`pose` text,
	`variant_of` text,
	`note` text DEFAULT '' NOT NULL,
	`created_at` text NOT NULL
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `rig_letter` ON `rig` (`letter`);--> statement-breakpoint
CREATE TABLE `run` (
	`id` text PRIMARY KEY NOT NULL,
	`trial_id` text NOT NULL,
	`name` text NOT NULL,
	`started_at` text NOT NULL,
	`conditions` text NOT NULL,
	`plan` text NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`trial_id`) REFERENCES `trial`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE INDEX `run_trial` ON `run` (`trial_id`);--> statement-breakpoint
CREATE TABLE `site` (
	`id` text PRIMARY KEY NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	`name` text NOT NULL,
	`role` text NOT NULL,
	`lat` real,
	`lon` real,
	`doubt_m` real,
	`moves` integer DEFAULT false NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`created_at` text NOT NULL
) STRICT;
--> statement-breakpoint
CREATE TABLE `trial` (
	`id` text PRIMARY KEY NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	`name` text NOT NULL,
	`question` text DEFAULT '' NOT NULL,
	`site_id` text,
	`leg_ids` text DEFAULT '[]' NOT NULL,
	`directions` text NOT NULL,
	`scales` text NOT NULL,
	`copy_rule` text NOT NULL,
	`repeats` integer DEFAULT 1 NOT NULL,
	`order_scheme` text DEFAULT 'balanced' NOT NULL,
	`order_seed` integer NOT NULL,
	`same_as` text DEFAULT '[]' NOT NULL,
	`margin_db` real DEFAULT 3 NOT NULL,
	`reliability` real DEFAULT 0.9 NOT NULL,
	`surroundings` text DEFAULT 'mixed' NOT NULL,
	`need_floor_m` real,
	`need_ceiling_m` real,
	`control_link_id` text,
	`created_at` text NOT NULL,
	FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE TABLE `unit` (
	`id` text PRIMARY KEY NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	`kind` text NOT NULL,
	`label` text NOT NULL,
	`condition` text DEFAULT '' NOT NULL,
	`detail` text DEFAULT '{}' NOT NULL,
	`created_at` text NOT NULL
) STRICT;
--> statement-breakpoint
CREATE TRIGGER `entry_never_updated` BEFORE UPDATE ON `entry` BEGIN SELECT RAISE(ABORT, 'the log is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `entry_never_deleted` BEFORE DELETE ON `entry` BEGIN SELECT RAISE(ABORT, 'the log is append-only'); END;
