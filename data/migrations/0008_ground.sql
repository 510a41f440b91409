CREATE TABLE `adjuster` (
	`component_id` integer PRIMARY KEY NOT NULL,
	`form` text NOT NULL,
	`low` integer NOT NULL,
	`high` integer NOT NULL,
	`storage` integer,
	`front` real,
	`rear` real,
	`across` real,
	`pair_id` integer,
	`difference` integer DEFAULT 0 NOT NULL,
	`how` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`component_id`) REFERENCES `component`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`pair_id`) REFERENCES `component`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "adjuster_form" CHECK("adjuster"."form" in ('turnbuckle', 'shims', 'hole', 'notch', 'crank', 'spindle', 'spring', 'stop', 'pressure')),
	CONSTRAINT "adjuster_has_a_range" CHECK("adjuster"."low" <= "adjuster"."high"),
	CONSTRAINT "adjuster_effect_is_whole" CHECK(("adjuster"."front" is null) = ("adjuster"."rear" is null) and ("adjuster"."front" is null) = ("adjuster"."across" is null))
);
--> statement-breakpoint
CREATE TABLE `depth_map` (
	`seq` integer PRIMARY KEY NOT NULL,
	`field` text DEFAULT '' NOT NULL,
	`wanted` real NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "depth_map_wants_some" CHECK("depth_map"."wanted" > 0)
);
--> statement-breakpoint
CREATE TABLE `depth_point` (
	`map` integer NOT NULL,
	`position` integer NOT NULL,
	`label` text NOT NULL,
	`x` real NOT NULL,
	`y` real NOT NULL,
	`depth` real NOT NULL,
	PRIMARY KEY(`map`, `position`),
	FOREIGN KEY (`map`) REFERENCES `depth_map`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `depth_setting` (
	`map` integer NOT NULL,
	`component_id` integer NOT NULL,
	`steps` integer NOT NULL,
	PRIMARY KEY(`map`, `component_id`),
	FOREIGN KEY (`map`) REFERENCES `depth_map`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`component_id`) REFERENCES `component`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TRIGGER `depth_map_no_update` BEFORE UPDATE ON `depth_map` BEGIN SELECT RAISE(ABORT, 'what is on record in depth_map is neither changed nor deleted'); END;--> statement-breakpoint
CREATE TRIGGER `depth_map_no_delete` BEFORE DELETE ON `depth_map` BEGIN SELECT RAISE(ABORT, 'what is on record in depth_map is neither changed nor deleted'); END;--> statement-breakpoint
CREATE TRIGGER `depth_setting_no_update` BEFORE UPDATE ON `depth_setting` BEGIN SELECT RAISE(ABORT, 'what is on record in depth_setting is neither changed nor deleted'); END;--> statement-breakpoint
CREATE TRIGGER `depth_setting_no_delete` BEFORE DELETE ON `depth_setting` BEGIN SELECT RAISE(ABORT, 'what is on record in depth_setting is neither changed nor deleted'); END;--> statement-breakpoint
CREATE TRIGGER `depth_point_no_update` BEFORE UPDATE ON `depth_point` BEGIN SELECT RAISE(ABORT, 'what is on record in depth_point is neither changed nor deleted'); END;--> statement-breakpoint
CREATE TRIGGER `depth_point_no_delete` BEFORE DELETE ON `depth_point` BEGIN SELECT RAISE(ABORT, 'what is on record in depth_point is neither changed nor deleted'); END;