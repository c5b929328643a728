package org.jalousie.server.adapters;

import com.sun.star.container.XIndexAccess;
import com.sun.star.lang.XComponent;
import com.sun.star.text.XDocumentIndex;
import com.sun.star.text.XDocumentIndexesSupplier;
import com.sun.star.uno.UnoRuntime;
import org.jodconverter.core.office.OfficeContext;
import org.jodconverter.local.filter.Filter;
import org.jodconverter.local.filter.FilterChain;

/** Refreshes contents lists before the pages are made, so that they name the headings that are there and their pages. */
class ContentsLists implements Filter {
    @Override
    public void doFilter(OfficeContext context, XComponent document, FilterChain chain) throws Exception {
        XDocumentIndexesSupplier supplier = UnoRuntime.queryInterface(XDocumentIndexesSupplier.class, document);
        if (supplier != null) {
            XIndexAccess indexes = UnoRuntime.queryInterface(XIndexAccess.class, supplier.getDocumentIndexes());
            for (int i = 0; i < indexes.getCount(); i++) {
                XDocumentIndex index = UnoRuntime.queryInterface(XDocumentIndex.class, indexes.getByIndex(i));
                // twice: the list itself may push what it lists onto other pages
                index.update();
                index.update();
            }
        }
        chain.doFilter(context, document);
    }
}
