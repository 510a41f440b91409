CREATE TABLE `plan_away` (
	`id` integer PRIMARY KEY NOT NULL,
	`machine_id` integer,
	`person_id` integer,
	`from` text NOT NULL,
	`to` text NOT NULL,
	`why` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `plan_person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "plan_away_is_somebody" CHECK(("plan_away"."machine_id" is null) <> ("plan_away"."person_id" is null)),
	CONSTRAINT "plan_away_is_some_days" CHECK("plan_away"."to" >= "plan_away"."from")
);
--> statement-breakpoint
CREATE TABLE `plan_day` (
	`day` text PRIMARY KEY NOT NULL,
	`time` real NOT NULL,
	CONSTRAINT "plan_day_is_no_more_than_one" CHECK("plan_day"."time" between 0 and 86400)
);
--> statement-breakpoint
CREATE TABLE `plan_days` (
	`id` integer PRIMARY KEY NOT NULL,
	`first` text NOT NULL,
	`count` integer NOT NULL,
	`week` text NOT NULL,
	`late` integer NOT NULL,
	CONSTRAINT "plan_days_is_one_row" CHECK("plan_days"."id" = 1),
	CONSTRAINT "plan_days_are_some" CHECK("plan_days"."count" between 1 and 120 and "plan_days"."late" between 0 and 60)
);
--> statement-breakpoint
CREATE TABLE `plan_drives` (
	`person_id` integer NOT NULL,
	`machine_id` integer NOT NULL,
	PRIMARY KEY(`person_id`, `machine_id`),
	FOREIGN KEY (`person_id`) REFERENCES `plan_person`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `plan_job` (
	`id` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`field_id` integer,
	`area` real,
	`opens` text NOT NULL,
	`closes` text NOT NULL,
	`most` real,
	`rate` real,
	`archived_at` text,
	FOREIGN KEY (`field_id`) REFERENCES `field`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "plan_job_is_named" CHECK("plan_job"."name" <> ''),
	CONSTRAINT "plan_job_has_a_window" CHECK("plan_job"."closes" >= "plan_job"."opens"),
	CONSTRAINT "plan_job_is_some" CHECK(coalesce("plan_job"."area", 1) > 0 and coalesce("plan_job"."most", 1) > 0 and coalesce("plan_job"."rate", 1) > 0)
);
--> statement-breakpoint
CREATE TABLE `plan_job_rig` (
	`job_id` integer NOT NULL,
	`rig_id` integer NOT NULL,
	PRIMARY KEY(`job_id`, `rig_id`),
	FOREIGN KEY (`job_id`) REFERENCES `plan_job`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `plan_kept` (
	`seq` integer PRIMARY KEY NOT NULL,
	`plan` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `plan_person` (
	`id` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`archived_at` text,
	CONSTRAINT "plan_person_is_named" CHECK("plan_person"."name" <> '')
);
--> statement-breakpoint
CREATE TABLE `plan_pin` (
	`id` integer PRIMARY KEY NOT NULL,
	`job_id` integer NOT NULL,
	`machine_id` integer NOT NULL,
	`day` text NOT NULL,
	`days` integer NOT NULL,
	`area` real NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `plan_job`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "plan_pin_is_some" CHECK("plan_pin"."days" > 0 and "plan_pin"."area" > 0)
);
--> statement-breakpoint
CREATE INDEX `plan_pin_by_job` ON `plan_pin` (`job_id`);--> statement-breakpoint
CREATE TABLE `rerig_time` (
	`act` text PRIMARY KEY NOT NULL,
	`time` real NOT NULL,
	CONSTRAINT "rerig_time_act" CHECK("rerig_time"."act" in ('coupleCarried', 'coupleDrawn', 'uncoupleCarried', 'uncoupleDrawn', 'bushing', 'hole', 'weight', 'pressure', 'track', 'hose', 'plug', 'setting', 'card', 'read')),
	CONSTRAINT "rerig_time_is_some" CHECK("rerig_time"."time" between 0 and 86400)
);
--> statement-breakpoint
CREATE TABLE `soil_limit` (
	`state` text PRIMARY KEY NOT NULL,
	`depth` real NOT NULL,
	CONSTRAINT "soil_limit_state" CHECK("soil_limit"."state" in ('wet', 'moist', 'dry')),
	CONSTRAINT "soil_limit_is_some" CHECK("soil_limit"."depth" > 0)
);
--> statement-breakpoint
CREATE TRIGGER `plan_kept_no_update` BEFORE UPDATE ON `plan_kept` BEGIN SELECT RAISE(ABORT, 'what is on record in plan_kept is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `plan_kept_no_delete` BEFORE DELETE ON `plan_kept` BEGIN SELECT RAISE(ABORT, 'what is on record in plan_kept is neither changed nor deleted'); END;
