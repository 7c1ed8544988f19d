ALTER TABLE `rig` DROP COLUMN `ports`;--> statement-breakpoint
ALTER TABLE `rig` DROP COLUMN `pose`;