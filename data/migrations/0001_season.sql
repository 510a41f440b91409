CREATE TABLE `batch` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`file_name` text NOT NULL,
	`hash` text NOT NULL,
	`content` text NOT NULL,
	`state` text NOT NULL,
	`person` text DEFAULT '' NOT NULL,
	`recorded_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `card` (
	`id` integer PRIMARY KEY NOT NULL,
	`rig_id` integer NOT NULL,
	`tractor_id` integer NOT NULL,
	`number` integer NOT NULL,
	`scheme_name` text NOT NULL,
	`profile_name` text NOT NULL,
	`terminal_name` text DEFAULT '' NOT NULL,
	`person` text NOT NULL,
	`issued_at` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`tractor_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `card_number` ON `card` (`tractor_id`,`number`);--> statement-breakpoint
CREATE INDEX `card_by_rig` ON `card` (`rig_id`);--> statement-breakpoint
CREATE TABLE `card_line` (
	`card_id` integer NOT NULL,
	`position` integer NOT NULL,
	`page` text NOT NULL,
	`label` text NOT NULL,
	`figure` text NOT NULL,
	`word` text NOT NULL,
	`form` text NOT NULL,
	`derivation` text NOT NULL,
	`grade` text NOT NULL,
	PRIMARY KEY(`card_id`, `position`),
	FOREIGN KEY (`card_id`) REFERENCES `card`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `change` (
	`id` text PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`kind` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`person` text NOT NULL,
	`at` text NOT NULL,
	`recorded_at` text NOT NULL,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `change_by_machine` ON `change` (`machine_id`);--> statement-breakpoint
CREATE TABLE `photo` (
	`id` text PRIMARY KEY NOT NULL,
	`type` text NOT NULL,
	`bytes` blob NOT NULL,
	`recorded_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `proof` (
	`id` text PRIMARY KEY NOT NULL,
	`rig_id` integer NOT NULL,
	`what` text NOT NULL,
	`how` text NOT NULL,
	`result` text NOT NULL,
	`person` text NOT NULL,
	`at` text NOT NULL,
	`recorded_at` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `proof_by_rig` ON `proof` (`rig_id`);--> statement-breakpoint
CREATE TABLE `proof_term` (
	`proof_id` text NOT NULL,
	`dimension` text NOT NULL,
	`coefficient` real NOT NULL,
	PRIMARY KEY(`proof_id`, `dimension`),
	FOREIGN KEY (`proof_id`) REFERENCES `proof`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `readback` (
	`id` text PRIMARY KEY NOT NULL,
	`card_id` integer NOT NULL,
	`position` integer NOT NULL,
	`shown` text NOT NULL,
	`word` text NOT NULL,
	`outcome` text NOT NULL,
	`by` text NOT NULL,
	`wrong` text NOT NULL,
	`person` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`card_id`) REFERENCES `card`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `readback_by_card` ON `readback` (`card_id`);--> statement-breakpoint
ALTER TABLE `machine` ADD `archived_at` text;--> statement-breakpoint
ALTER TABLE `reading` ADD `sitting` text DEFAULT '' NOT NULL;--> statement-breakpoint
UPDATE `reading` SET `sitting` = `id`;--> statement-breakpoint
ALTER TABLE `reading` ADD `conditions` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `reading` ADD `note` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `reading` ADD `photo_id` text REFERENCES photo(id);--> statement-breakpoint
ALTER TABLE `reading` ADD `batch_id` text REFERENCES batch(id);--> statement-breakpoint
ALTER TABLE `retraction` ADD `batch_id` text REFERENCES batch(id);--> statement-breakpoint
ALTER TABLE `retraction` ADD `change_id` text REFERENCES change(id);--> statement-breakpoint
ALTER TABLE `retraction` ADD `proof_id` text REFERENCES proof(id);--> statement-breakpoint
CREATE INDEX `retraction_by_batch` ON `retraction` (`batch_id`);--> statement-breakpoint
CREATE INDEX `retraction_by_change` ON `retraction` (`change_id`);--> statement-breakpoint
CREATE INDEX `retraction_by_proof` ON `retraction` (`proof_id`);--> statement-breakpoint
ALTER TABLE `rig` ADD `archived_at` text;--> statement-breakpoint
ALTER TABLE `section_layout` ADD `batch_id` text REFERENCES batch(id);--> statement-breakpoint
ALTER TABLE `terminal` ADD `name` text DEFAULT '' NOT NULL;