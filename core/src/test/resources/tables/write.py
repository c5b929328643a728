"""Writes the workbooks beside it: pip install openpyxl==3.1.5 xlsxwriter==3.2.9; LibreOffice writes the third from the first."""

import datetime
import subprocess

import openpyxl
import xlsxwriter
from openpyxl.styles import numbers

HEADS = ["Number", "Title", "Maker", "Value", "Insured", "From", "Collected", "Fragile", "Total"]
ROWS = [
    (7, "Viola d’amore", "Workshop North", 12500.5, datetime.date(2027, 3, 15), datetime.datetime(2027, 4, 1, 9, 30), True),
    (12, "Flute", "Workshop North", 0.1, datetime.date(2027, 12, 31), datetime.datetime(2027, 12, 1, 17, 5), False),
    (13, "Hidden drum", "Workshop South", 3, datetime.date(2028, 2, 29), datetime.datetime(2028, 2, 1, 0, 5), True),
    (14, "=1+1", "Workshop South", 1234567.89, datetime.date(2030, 1, 1), datetime.datetime(2030, 1, 1, 23, 59), False),
]


def with_openpyxl(name, epoch1904=False):
    book = openpyxl.Workbook()
    if epoch1904:
        book.epoch = openpyxl.utils.datetime.CALENDAR_MAC_1904
    book.create_sheet("Other").append(["not", "this"])
    sheet = book.active
    sheet.title = "Objects"
    sheet.append(["Objects of the museum"])
    sheet.merge_cells("A1:I1")
    sheet.append(HEADS)
    for at, (number, title, maker, value, day, moment, fragile) in enumerate(ROWS, 3):
        for column, cell in enumerate([number, title, maker, value, value, day, moment, fragile], 1):
            sheet.cell(at, column).value = cell
        sheet.cell(at, 2).data_type = "s"
        sheet.cell(at, 1).number_format = "00000"
        sheet.cell(at, 5).number_format = "[$EUR] #,##0.00"
        sheet.cell(at, 6).number_format = numbers.FORMAT_DATE_DDMMYY
        sheet.cell(at, 7).number_format = "d mmm yyyy hh:mm"
        sheet.cell(at, 9).value = f"=D{at}*2"
    sheet["I4"] = "=1/0"
    sheet.merge_cells("C3:C4")
    sheet.row_dimensions[5].hidden = True
    book.save(name)


def with_xlsxwriter(name):
    book = xlsxwriter.Workbook(name)
    sheet = book.add_worksheet("Objects")
    book.add_worksheet("Other").write("A1", "not")
    sheet.merge_range("A1:I1", "Objects of the museum", book.add_format({"bold": True}))
    sheet.write_row("A2", HEADS)
    zeros = book.add_format({"num_format": "00000"})
    euros = book.add_format({"num_format": "[$€-407] #,##0.00"})
    days = book.add_format({"num_format": "dd/mm/yy"})
    moments = book.add_format({"num_format": "d mmm yyyy hh:mm"})
    for at, (number, title, maker, value, day, moment, fragile) in enumerate(ROWS, 2):
        sheet.write_number(at, 0, number, zeros)
        sheet.write_string(at, 1, title)
        sheet.write_string(at, 2, maker)
        sheet.write_number(at, 3, value)
        sheet.write_number(at, 4, value, euros)
        sheet.write_datetime(at, 5, day, days)
        sheet.write_datetime(at, 6, moment, moments)
        sheet.write_boolean(at, 7, fragile)
        sheet.write_formula(at, 8, f"=D{at + 1}*2", None, value * 2)
    sheet.write_formula("I4", "=1/0", None, "#DIV/0!")
    sheet.merge_range("C3:C4", "Workshop North")
    bold, plain = book.add_format({"bold": True}), book.add_format()
    sheet.write_rich_string("B3", bold, "Viola", plain, " d’amore")
    sheet.set_row(4, None, None, {"hidden": True})
    book.close()


with_openpyxl("openpyxl.xlsx")
with_openpyxl("from1904.xlsx", True)
with_xlsxwriter("xlsxwriter.xlsx")
subprocess.run(["soffice", "--headless", "--convert-to", "xlsx:Calc MS Excel 2007 XML", "--outdir", "/tmp/lo", "openpyxl.xlsx"], check=True)
subprocess.run(["cp", "/tmp/lo/openpyxl.xlsx", "libreoffice.xlsx"], check=True)
