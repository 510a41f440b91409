CREATE TABLE `bench` (
	`coupling_id` integer PRIMARY KEY NOT NULL,
	`truth` text NOT NULL,
	`runs` integer DEFAULT 0 NOT NULL,
	FOREIGN KEY (`coupling_id`) REFERENCES `coupling`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `calibration_end` (
	`seq` integer PRIMARY KEY NOT NULL,
	`calibration` integer NOT NULL,
	`constant` text,
	`accepted` integer NOT NULL,
	`had` real,
	`found` real,
	`error` real,
	`variation` real,
	`runs` integer NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`evidence` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`calibration`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "calibration_end_counts_runs" CHECK("calibration_end"."runs" >= 0),
	CONSTRAINT "calibration_end_accepts_something" CHECK("calibration_end"."accepted" = 0 or "calibration_end"."constant" is null or "calibration_end"."found" is not null)
);
--> statement-breakpoint
CREATE TABLE `calibration_run` (
	`seq` integer PRIMARY KEY NOT NULL,
	`figures` text NOT NULL,
	`choices` text NOT NULL,
	`lists` text NOT NULL,
	`texts` text NOT NULL,
	`simulated` integer DEFAULT false NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `calibration_setup` (
	`seq` integer PRIMARY KEY NOT NULL,
	`figures` text NOT NULL,
	`choices` text NOT NULL,
	`texts` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `loaded` (
	`seq` integer PRIMARY KEY NOT NULL,
	`product_id` integer NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`product_id`) REFERENCES `product`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `product` (
	`id` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`form` text NOT NULL,
	`density` real,
	`grain_mass` real,
	`establishment` real,
	`price` real,
	`money` text DEFAULT '' NOT NULL,
	`archived_at` text,
	CONSTRAINT "product_form" CHECK("product"."form" in ('liquid', 'seed', 'granules', 'crop')),
	CONSTRAINT "product_is_named" CHECK("product"."name" <> '')
);
--> statement-breakpoint
CREATE TABLE `run_left_out` (
	`seq` integer PRIMARY KEY NOT NULL,
	`run` integer NOT NULL,
	`out` integer NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`run`) REFERENCES `calibration_run`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TRIGGER `calibration_setup_no_update` BEFORE UPDATE ON `calibration_setup` BEGIN SELECT RAISE(ABORT, 'what is on record in calibration_setup is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `calibration_setup_no_delete` BEFORE DELETE ON `calibration_setup` BEGIN SELECT RAISE(ABORT, 'what is on record in calibration_setup is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `calibration_run_no_update` BEFORE UPDATE ON `calibration_run` BEGIN SELECT RAISE(ABORT, 'what is on record in calibration_run is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `calibration_run_no_delete` BEFORE DELETE ON `calibration_run` BEGIN SELECT RAISE(ABORT, 'what is on record in calibration_run is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `run_left_out_no_update` BEFORE UPDATE ON `run_left_out` BEGIN SELECT RAISE(ABORT, 'what is on record in run_left_out is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `run_left_out_no_delete` BEFORE DELETE ON `run_left_out` BEGIN SELECT RAISE(ABORT, 'what is on record in run_left_out is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `calibration_end_no_update` BEFORE UPDATE ON `calibration_end` BEGIN SELECT RAISE(ABORT, 'what is on record in calibration_end is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `calibration_end_no_delete` BEFORE DELETE ON `calibration_end` BEGIN SELECT RAISE(ABORT, 'what is on record in calibration_end is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `loaded_no_update` BEFORE UPDATE ON `loaded` BEGIN SELECT RAISE(ABORT, 'what is on record in loaded is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `loaded_no_delete` BEFORE DELETE ON `loaded` BEGIN SELECT RAISE(ABORT, 'what is on record in loaded is neither changed nor deleted'); END;