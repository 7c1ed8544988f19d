CREATE TABLE `trial_rig` (
	`trial_id` text NOT NULL,
	`rig_id` text NOT NULL,
	`letter` text NOT NULL,
	PRIMARY KEY(`trial_id`, `rig_id`),
	FOREIGN KEY (`trial_id`) REFERENCES `trial`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE cascade
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `trial_rig_letter` ON `trial_rig` (`trial_id`,`letter`);--> statement-breakpoint
DROP INDEX `rig_letter`;--> statement-breakpoint
ALTER TABLE `trial` ADD `kind` text DEFAULT 'open' NOT NULL;--> statement-breakpoint
ALTER TABLE `trial` ADD `way` text DEFAULT 'marks' NOT NULL;--> statement-breakpoint
ALTER TABLE `trial` ADD `archived_at` text;--> statement-breakpoint
ALTER TABLE `trial` ADD `sample` text;--> statement-breakpoint
ALTER TABLE `mark` ADD `tags` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
INSERT INTO `trial_rig` (`trial_id`, `rig_id`, `letter`)
SELECT `trial`.`id`, `rig`.`id`, `rig`.`letter` FROM `trial`, `rig`
WHERE EXISTS (
	SELECT 1 FROM `link` WHERE `link`.`trial_id` = `trial`.`id` AND `rig`.`id` IN (`link`.`base_rig_id`, `link`.`out_rig_id`)
) OR NOT EXISTS (
	SELECT 1 FROM `link` WHERE `rig`.`id` IN (`link`.`base_rig_id`, `link`.`out_rig_id`)
);
