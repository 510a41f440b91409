CREATE TABLE `coupling` (
	`id` integer PRIMARY KEY NOT NULL,
	`rig_id` integer NOT NULL,
	`parent_point_id` integer NOT NULL,
	`implement_id` integer NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`parent_point_id`) REFERENCES `point`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`implement_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `machine` (
	`id` integer PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`make` text NOT NULL,
	`model` text NOT NULL,
	`fleet_number` text DEFAULT '' NOT NULL,
	`serial` text DEFAULT '' NOT NULL,
	`bus_name` text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE `point` (
	`id` integer PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`kind` text NOT NULL,
	`label` text NOT NULL,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `reading` (
	`id` text PRIMARY KEY NOT NULL,
	`dimension` text NOT NULL,
	`machine_id` integer,
	`point_id` integer,
	`coupling_id` integer,
	`raw_text` text NOT NULL,
	`value` real NOT NULL,
	`step` real NOT NULL,
	`reason` text DEFAULT '' NOT NULL,
	`instrument` text NOT NULL,
	`person` text NOT NULL,
	`measured_at` text NOT NULL,
	`recorded_at` text NOT NULL,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`point_id`) REFERENCES `point`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`coupling_id`) REFERENCES `coupling`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "reading_has_one_subject" CHECK(("reading"."machine_id" IS NOT NULL) + ("reading"."point_id" IS NOT NULL) + ("reading"."coupling_id" IS NOT NULL) = 1)
);
--> statement-breakpoint
CREATE INDEX `reading_by_machine` ON `reading` (`machine_id`,`dimension`);--> statement-breakpoint
CREATE INDEX `reading_by_point` ON `reading` (`point_id`,`dimension`);--> statement-breakpoint
CREATE INDEX `reading_by_coupling` ON `reading` (`coupling_id`,`dimension`);--> statement-breakpoint
CREATE TABLE `retraction` (
	`id` text PRIMARY KEY NOT NULL,
	`reading_id` text,
	`layout_id` text,
	`person` text NOT NULL,
	`recorded_at` text NOT NULL,
	FOREIGN KEY (`reading_id`) REFERENCES `reading`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`layout_id`) REFERENCES `section_layout`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `retraction_by_reading` ON `retraction` (`reading_id`);--> statement-breakpoint
CREATE INDEX `retraction_by_layout` ON `retraction` (`layout_id`);--> statement-breakpoint
CREATE TABLE `rig` (
	`id` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`tractor_id` integer NOT NULL,
	`receiver_point_id` integer NOT NULL,
	FOREIGN KEY (`tractor_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`receiver_point_id`) REFERENCES `point`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `scheme` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`asks` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `scheme_line` (
	`scheme_id` text NOT NULL,
	`position` integer NOT NULL,
	`page` text NOT NULL,
	`label` text NOT NULL,
	`measure` text NOT NULL,
	`from_point` text,
	`to_point` text,
	`axis` text,
	`dimension` text,
	`choice` text,
	`sense` integer NOT NULL,
	`unit` text NOT NULL,
	`decimals` integer NOT NULL,
	`sign` text NOT NULL,
	`plus_word` text DEFAULT '' NOT NULL,
	`minus_word` text DEFAULT '' NOT NULL,
	PRIMARY KEY(`scheme_id`, `position`),
	FOREIGN KEY (`scheme_id`) REFERENCES `scheme`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `section` (
	`layout_id` text NOT NULL,
	`number` integer NOT NULL,
	`width` real NOT NULL,
	PRIMARY KEY(`layout_id`, `number`),
	FOREIGN KEY (`layout_id`) REFERENCES `section_layout`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `section_layout` (
	`id` text PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`instrument` text NOT NULL,
	`person` text NOT NULL,
	`measured_at` text NOT NULL,
	`recorded_at` text NOT NULL,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `section_layout_by_machine` ON `section_layout` (`machine_id`);--> statement-breakpoint
CREATE TABLE `terminal` (
	`tractor_id` integer PRIMARY KEY NOT NULL,
	`scheme_id` text NOT NULL,
	`profile_name` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`tractor_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`scheme_id`) REFERENCES `scheme`(`id`) ON UPDATE no action ON DELETE no action
);
