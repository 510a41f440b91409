CREATE TABLE `axle_tyre` (
	`machine_id` integer NOT NULL,
	`axle` text NOT NULL,
	`tyre_id` integer NOT NULL,
	`count` integer NOT NULL,
	PRIMARY KEY(`machine_id`, `axle`),
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`tyre_id`) REFERENCES `tyre`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `coupling_event` (
	`id` text PRIMARY KEY NOT NULL,
	`rig_id` integer NOT NULL,
	`kind` text NOT NULL,
	`person` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `coupling_event_by_rig` ON `coupling_event` (`rig_id`);--> statement-breakpoint
CREATE TABLE `hookup_tick` (
	`id` text PRIMARY KEY NOT NULL,
	`rig_id` integer NOT NULL,
	`line` text NOT NULL,
	`said` text NOT NULL,
	`state` text NOT NULL,
	`reason` text DEFAULT '' NOT NULL,
	`person` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `hookup_tick_by_rig` ON `hookup_tick` (`rig_id`);--> statement-breakpoint
CREATE TABLE `road_limits` (
	`id` integer PRIMARY KEY NOT NULL,
	`country` text DEFAULT '' NOT NULL,
	`width` real,
	`height` real,
	`speed` real,
	`unbraked` real
);
--> statement-breakpoint
CREATE TABLE `setting_change` (
	`id` text PRIMARY KEY NOT NULL,
	`what` text NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `tyre` (
	`id` integer PRIMARY KEY NOT NULL,
	`label` text NOT NULL,
	`source` text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE `tyre_cell` (
	`tyre_id` integer NOT NULL,
	`speed` real NOT NULL,
	`pressure` real NOT NULL,
	`load` real NOT NULL,
	PRIMARY KEY(`tyre_id`, `speed`, `pressure`),
	FOREIGN KEY (`tyre_id`) REFERENCES `tyre`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `weight` (
	`id` integer PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`label` text NOT NULL,
	`mass` real NOT NULL,
	`place` real NOT NULL,
	`count` integer NOT NULL,
	`archived_at` text,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `weight_fitted` (
	`id` text PRIMARY KEY NOT NULL,
	`rig_id` integer NOT NULL,
	`weight_id` integer NOT NULL,
	`count` integer NOT NULL,
	`person` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`weight_id`) REFERENCES `weight`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `weight_fitted_by_rig` ON `weight_fitted` (`rig_id`);--> statement-breakpoint
ALTER TABLE `coupling` ADD `parent_coupling_id` integer;--> statement-breakpoint
ALTER TABLE `coupling` ADD `position` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `machine` ADD `attachment` text DEFAULT 'drawn' NOT NULL;--> statement-breakpoint
ALTER TABLE `retraction` ADD `tick_id` text REFERENCES hookup_tick(id);--> statement-breakpoint
ALTER TABLE `retraction` ADD `event_id` text REFERENCES coupling_event(id);--> statement-breakpoint
INSERT INTO `point` (`machine_id`, `kind`, `label`) SELECT `id`, 'rear three-point', 'rear links' FROM `machine` WHERE `kind` = 'tractor';--> statement-breakpoint
INSERT INTO `point` (`machine_id`, `kind`, `label`) SELECT `id`, 'rear PTO', 'rear shaft' FROM `machine` WHERE `kind` = 'tractor';
