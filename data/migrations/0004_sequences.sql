CREATE TABLE `run` (
	`id` text PRIMARY KEY NOT NULL,
	`rig_id` integer NOT NULL,
	`machine_id` integer NOT NULL,
	`kind` text NOT NULL,
	`person` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `run_by_rig` ON `run` (`rig_id`);--> statement-breakpoint
CREATE TABLE `run_event` (
	`id` text PRIMARY KEY NOT NULL,
	`run_id` text NOT NULL,
	`what` text NOT NULL,
	`step` text NOT NULL,
	`said` text NOT NULL,
	`person` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `run_event_by_run` ON `run_event` (`run_id`);--> statement-breakpoint
CREATE TABLE `sequence_list` (
	`id` text PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`kind` text NOT NULL,
	`steps` text,
	`person` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `sequence_list_by_machine` ON `sequence_list` (`machine_id`);