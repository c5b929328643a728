package org.jalousie.server.web;

import java.util.Map;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.springframework.data.domain.PageRequest;
import org.springframework.data.domain.Sort;

/**
 * By what a list can be sorted. Each column here needs an index.
 *
 * @param columns the entity's properties by the names that requests use
 * @param usual the order when none is asked for, such as {@code -changed}; a minus turns it round
 */
public record ListOrder(Map<String, String> columns, String usual) {
    /**
     * @param page as asked for, from 0
     * @param sort as asked for; empty for the usual order
     * @throws Refusal for a column by which the list can't be sorted
     */
    public PageRequest page(int page, String sort) {
        String asked = sort.isEmpty() ? usual : sort;
        boolean down = asked.startsWith("-");
        String property = columns.get(down ? asked.substring(1) : asked);
        if (property == null)
            throw Refusal.malformed(Message.of("list.sorted-by", "columns", String.join(", ", columns.keySet())));
        Sort order = Sort.by(down ? Sort.Direction.DESC : Sort.Direction.ASC, property);
        // rows that are alike in it keep one order, so that none is on two pages or on none
        return Page.request(page).withSort(order.and(Sort.by("id")));
    }
}
