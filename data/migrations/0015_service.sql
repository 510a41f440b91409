CREATE TABLE `meter_reading` (
	`seq` integer PRIMARY KEY NOT NULL,
	`reading` real NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "meter_reading_runs" CHECK("meter_reading"."reading" >= 0)
);
--> statement-breakpoint
CREATE TABLE `service_done` (
	`seq` integer PRIMARY KEY NOT NULL,
	`item_id` integer NOT NULL,
	`meter` real,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`item_id`) REFERENCES `service_item`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `service_item` (
	`id` integer PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`name` text NOT NULL,
	`kind` text NOT NULL,
	`round` text NOT NULL,
	`points` integer,
	`every_time` real,
	`every_area` real,
	`every_days` real,
	`every_season` integer DEFAULT false NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`archived_at` text,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "service_item_kind" CHECK("service_item"."kind" in ('grease', 'oil', 'filter', 'nuts', 'pressure', 'chain', 'clean', 'look', 'take')),
	CONSTRAINT "service_item_round" CHECK("service_item"."round" in ('morning', 'evening', 'aboard', 'interval')),
	CONSTRAINT "service_item_is_named" CHECK("service_item"."name" <> ''),
	CONSTRAINT "service_item_has_an_interval" CHECK(("service_item"."round" = 'interval') = (coalesce("service_item"."every_time", "service_item"."every_area", "service_item"."every_days") is not null or "service_item"."every_season" = 1))
);
--> statement-breakpoint
CREATE INDEX `service_item_by_machine` ON `service_item` (`machine_id`);--> statement-breakpoint
CREATE TABLE `wear_measured` (
	`seq` integer PRIMARY KEY NOT NULL,
	`part_id` integer NOT NULL,
	`size` real NOT NULL,
	`replaced` integer NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`part_id`) REFERENCES `wear_part`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "wear_measured_is_something" CHECK("wear_measured"."size" > 0)
);
--> statement-breakpoint
CREATE TABLE `wear_part` (
	`id` integer PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`name` text NOT NULL,
	`count` integer NOT NULL,
	`fresh` real NOT NULL,
	`limit` real NOT NULL,
	`stock` integer DEFAULT 0 NOT NULL,
	`delivery` integer DEFAULT 0 NOT NULL,
	`archived_at` text,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "wear_part_is_named" CHECK("wear_part"."name" <> ''),
	CONSTRAINT "wear_part_counts" CHECK("wear_part"."count" > 0 and "wear_part"."stock" >= 0 and "wear_part"."delivery" >= 0),
	CONSTRAINT "wear_part_wears" CHECK("wear_part"."limit" > 0 and "wear_part"."fresh" > "wear_part"."limit")
);
--> statement-breakpoint
CREATE INDEX `wear_part_by_machine` ON `wear_part` (`machine_id`);
--> statement-breakpoint
CREATE TRIGGER `service_done_no_update` BEFORE UPDATE ON `service_done` BEGIN SELECT RAISE(ABORT, 'what is on record in service_done is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `service_done_no_delete` BEFORE DELETE ON `service_done` BEGIN SELECT RAISE(ABORT, 'what is on record in service_done is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `meter_reading_no_update` BEFORE UPDATE ON `meter_reading` BEGIN SELECT RAISE(ABORT, 'what is on record in meter_reading is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `meter_reading_no_delete` BEFORE DELETE ON `meter_reading` BEGIN SELECT RAISE(ABORT, 'what is on record in meter_reading is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `wear_measured_no_update` BEFORE UPDATE ON `wear_measured` BEGIN SELECT RAISE(ABORT, 'what is on record in wear_measured is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `wear_measured_no_delete` BEFORE DELETE ON `wear_measured` BEGIN SELECT RAISE(ABORT, 'what is on record in wear_measured is neither changed nor deleted'); END;
