CREATE TABLE `trial_ground` (
	`trial_id` text NOT NULL,
	`kind` text NOT NULL,
	`of_id` text NOT NULL,
	`used` integer NOT NULL,
	PRIMARY KEY(`trial_id`, `kind`, `of_id`),
	FOREIGN KEY (`trial_id`) REFERENCES `trial`(`id`) ON UPDATE no action ON DELETE cascade
) STRICT;
--> statement-breakpoint
ALTER TABLE `grid` ADD `of_trial` text;--> statement-breakpoint
ALTER TABLE `trial` ADD `flat_ground` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `trial` ADD `prediction` text;