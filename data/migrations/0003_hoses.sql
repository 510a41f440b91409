CREATE TABLE `hose_function` (
	`id` integer PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`position` integer NOT NULL,
	`name` text NOT NULL,
	`kind` text NOT NULL,
	`action` text NOT NULL,
	`uses` text NOT NULL,
	`automatic` integer NOT NULL,
	`trigger` integer NOT NULL,
	`lockable` integer NOT NULL,
	`place` text NOT NULL,
	`coupling` text DEFAULT '' NOT NULL,
	`pressure` real,
	`flow` real,
	`bore` real,
	`rod` real,
	`stroke` real,
	`cylinders` integer,
	`displacement` real,
	`speed` real,
	`case_drain` integer DEFAULT false NOT NULL,
	`charge` real,
	`tap` text DEFAULT '' NOT NULL,
	`archived_at` text,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `hose_function_by_machine` ON `hose_function` (`machine_id`);--> statement-breakpoint
CREATE TABLE `hose_pin` (
	`rig_id` integer NOT NULL,
	`function_id` integer NOT NULL,
	`remote_id` integer NOT NULL,
	PRIMARY KEY(`rig_id`, `function_id`),
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`function_id`) REFERENCES `hose_function`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`remote_id`) REFERENCES `remote`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `hose_plan` (
	`id` text PRIMARY KEY NOT NULL,
	`rig_id` integer NOT NULL,
	`places` text NOT NULL,
	`person` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `hose_plan_by_rig` ON `hose_plan` (`rig_id`);--> statement-breakpoint
CREATE TABLE `hydraulics` (
	`machine_id` integer PRIMARY KEY NOT NULL,
	`pump_flow` real,
	`pressure` real,
	`free_return` integer DEFAULT false NOT NULL,
	`power_beyond` integer DEFAULT false NOT NULL,
	`load_sensing` integer DEFAULT false NOT NULL,
	`spare_oil` real,
	`main_lever` integer,
	`sockets` text DEFAULT '[]' NOT NULL,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `remote` (
	`id` integer PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`number` integer NOT NULL,
	`lever` text DEFAULT '' NOT NULL,
	`action` text NOT NULL,
	`float` integer NOT NULL,
	`detent` integer NOT NULL,
	`timed` integer NOT NULL,
	`automatic` integer NOT NULL,
	`flow` real,
	`place` text NOT NULL,
	`coupling` text DEFAULT '' NOT NULL,
	`archived_at` text,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `remote_number_in_use` ON `remote` (`machine_id`,`number`) WHERE "remote"."archived_at" is null;--> statement-breakpoint
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