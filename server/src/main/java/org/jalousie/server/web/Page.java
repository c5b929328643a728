package org.jalousie.server.web;

import java.util.List;

/**
 * One page of a list.
 *
 * @param total how many there are in all
 * @param page from 0
 */
public record Page<T>(List<T> items, long total, int page, int size) {
    /** How many rows a page holds. */
    public static final int SIZE = 50;
}
