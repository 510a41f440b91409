CREATE TABLE `field_test` (
	`id` text PRIMARY KEY NOT NULL,
	`rig_id` integer NOT NULL,
	`coupling_id` integer NOT NULL,
	`variant_id` integer,
	`kind` text NOT NULL,
	`conditions` text NOT NULL,
	`spacing` real,
	`row_to_row` integer DEFAULT false NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`person` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`coupling_id`) REFERENCES `coupling`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `field_test_by_rig` ON `field_test` (`rig_id`);--> statement-breakpoint
CREATE TABLE `observation` (
	`id` text PRIMARY KEY NOT NULL,
	`test_id` text NOT NULL,
	`values` text NOT NULL,
	`choices` text NOT NULL,
	`texts` text NOT NULL,
	`left_out` integer DEFAULT false NOT NULL,
	`person` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`test_id`) REFERENCES `field_test`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `observation_by_test` ON `observation` (`test_id`);--> statement-breakpoint
CREATE TABLE `practice` (
	`rig_id` integer PRIMARY KEY NOT NULL,
	`seed` integer NOT NULL,
	`truths` text NOT NULL,
	`terminal` text NOT NULL,
	`drives` integer DEFAULT 0 NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `variant` (
	`id` integer PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`name` text NOT NULL,
	`archived_at` text,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `variant_by_machine` ON `variant` (`machine_id`);--> statement-breakpoint
ALTER TABLE `card` ADD `coupling_id` integer;--> statement-breakpoint
ALTER TABLE `coupling` ADD `variant_id` integer;--> statement-breakpoint
ALTER TABLE `machine` ADD `practice` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `proof` ADD `coupling_id` integer;--> statement-breakpoint
ALTER TABLE `proof` ADD `variant_id` integer;--> statement-breakpoint
ALTER TABLE `proof` ADD `sigma` real;--> statement-breakpoint
ALTER TABLE `proof` ADD `reading_id` text;--> statement-breakpoint
ALTER TABLE `proof` ADD `test_id` text;--> statement-breakpoint
ALTER TABLE `proof` ADD `batch_id` text;--> statement-breakpoint
ALTER TABLE `proof` ADD `evidence` text;--> statement-breakpoint
ALTER TABLE `reading` ADD `variant_id` integer REFERENCES variant(id);--> statement-breakpoint
ALTER TABLE `retraction` ADD `observation_id` text REFERENCES observation(id);--> statement-breakpoint
ALTER TABLE `retraction` ADD `test_id` text REFERENCES field_test(id);--> statement-breakpoint
ALTER TABLE `section` ADD `ahead` real DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `section` ADD `product` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `section_layout` ADD `variant_id` integer REFERENCES variant(id);